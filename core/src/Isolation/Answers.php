<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Vocabulary\Place;

/**
 * What each answer of a check would leave of the belief, repair group by repair group.
 *
 * @phpstan-import-type PredictedRow from Signature
 */
final readonly class Answers
{
    /** The lightest particles that hold no more than this of all doubt in the leader move no choice (share). */
    private const NEGLIGIBLE = 0.005;
    /** Answers rarer than this are lumped together as "teaches nothing". */
    private const RARE = 0.003;
    /** A word of a merged answer is named from this share of it on. */
    private const NAMED = 0.15;

    /** @var list<int> particles that still matter */
    private array $live;
    /** @var list<float> */
    private array $weights;
    /** @var list<int> which of `$groups` each live particle has */
    private array $groupOf;
    /** @var list<int> the groups that still matter, in the order of the field */
    public array $groups;

    public function __construct(private Belief $belief)
    {
        $field = $belief->field;
        // of two faults that nobody named the likelier one is what the next check is about
        $posterior = $field->folded($belief->weights->posterior);
        $live = $weights = $groupOf = [];
        $doubt = 1.0 - min(1.0, $belief->leader()[1]);
        foreach (self::heavier($posterior, self::NEGLIGIBLE * $doubt) as $i => $weight) {
            $live[] = $i;
            $weights[] = $weight;
            $groupOf[] = $field->groups->of[$i];
        }
        $groups = array_values(array_unique($groupOf));
        sort($groups);
        $place = array_flip($groups);
        $this->groupOf = array_map(static fn (int $group): int => $place[$group], $groupOf);
        // what is left out must not be missing: the cost of a search counts what none of its repairs would cure
        $sum = array_sum($weights);
        $this->weights = array_map(static fn (float $weight): float => $weight / $sum, $weights);
        $this->live = $live;
        $this->groups = $groups;
    }

    /**
     * Particles of one group to which the check shows the same are one here: most of them, for most checks.
     *
     * @param list<string> $rows
     *
     * @return list<array{array<string, string>, array<int, float>, float}> answers, each with its outcomes by row, the
     *     unnormalised mass of each of `$groups` and its chance
     */
    public function of(Check $check, Place $place, array $rows): array
    {
        $signatures = [];
        foreach ($rows as $row) {
            $signatures[$row] = $this->belief->field->signature->rows[$check->at($place)->row($row)];
        }
        [$weights, $groupOf, $first] = $this->lumps(array_column($signatures, 'index'));
        $answers = [[[], $weights, 1.0]];
        $last = array_key_last($signatures);
        foreach ($signatures as $row => $signature) {
            $columns = $this->columns($signature, $first);
            $answers = $row === $last
                ? $this->settled($answers, $row, $columns, $groupOf)
                : $this->split($answers, $row, $columns);
        }

        return $answers;
    }

    /**
     * @param PredictedRow $signature
     * @param list<int> $first a particle of each lump
     *
     * @return array<string, list<float>> chance of each lump by word
     */
    private function columns(array $signature, array $first): array
    {
        ['index' => $index, 'table' => $table] = $signature;
        $columns = [];
        foreach ($signature['words'] as $w => $word) {
            $column = [];
            foreach ($first as $i) {
                $column[] = $table[$index[$i]][$w];
            }
            $columns[$word] = $column;
        }

        return $columns;
    }

    /**
     * @param array<int, float> $posterior
     *
     * @return array<int, float> without the lightest, which hold no more than a share together
     */
    private static function heavier(array $posterior, float $share): array
    {
        $order = $posterior;
        asort($order);
        $left = 0.0;
        foreach ($order as $i => $weight) {
            $left += $weight;
            if ($left > $share) {
                break;
            }
            unset($posterior[$i]);
        }

        return $posterior;
    }

    /**
     * @param list<list<int>> $indices by row: the prediction of each particle
     *
     * @return array{list<float>, list<int>, list<int>} weight and group of each lump; the first particle of each
     */
    private function lumps(array $indices): array
    {
        $lumpOf = $this->groupOf;
        $lumps = \count($this->groups);
        foreach ($indices as $index) {
            $known = [];
            foreach ($this->live as $n => $i) {
                $lumpOf[$n] = $known[$index[$i] * $lumps + $lumpOf[$n]] ??= \count($known);
            }
            $lumps = \count($known);
        }
        $weights = $groupOf = $first = [];
        foreach ($lumpOf as $n => $lump) {
            if (isset($weights[$lump])) {
                $weights[$lump] += $this->weights[$n];
            } else {
                $weights[$lump] = $this->weights[$n];
                $groupOf[] = $this->groupOf[$n];
                $first[] = $this->live[$n];
            }
        }

        return [array_values($weights), $groupOf, $first];
    }

    /**
     * @param list<array{array<string, string>, array<int, float>, float}> $answers
     * @param array<string, list<float>> $columns
     *
     * @return list<array{array<string, string>, array<int, float>, float}>
     */
    private function split(array $answers, string $row, array $columns): array
    {
        $split = [];
        foreach ($answers as [$outcomes, $weights]) {
            foreach ($columns as $word => $column) {
                $chance = 0.0;
                $product = [];
                foreach ($weights as $i => $weight) {
                    $chance += $product[] = $weight * $column[$i];
                }
                if ($chance >= self::RARE) {
                    $split[] = [[...$outcomes, $row => $word], $product, $chance];
                }
            }
        }

        return $split;
    }

    /**
     * The last row: what it leaves of each group.
     *
     * @param list<array{array<string, string>, array<int, float>, float}> $answers
     * @param array<string, list<float>> $columns
     * @param list<int> $groupOf
     *
     * @return list<array{array<string, string>, array<int, float>, float}>
     */
    private function settled(array $answers, string $row, array $columns, array $groupOf): array
    {
        $none = array_fill(0, \count($this->groups), 0.0);
        $settled = [];
        foreach ($answers as [$outcomes, $weights]) {
            foreach ($columns as $word => $column) {
                $masses = $none;
                foreach ($weights as $i => $weight) {
                    $masses[$groupOf[$i]] += $weight * $column[$i];
                }
                $chance = array_sum($masses);
                if ($chance >= self::RARE) {
                    $settled[] = [[...$outcomes, $row => $word], $masses, $chance];
                }
            }
        }

        return $settled;
    }

    /**
     * What each answer of a check would leave, likeliest first. The many answers of a sheet with four wheels are one
     * where the same wheels are not at their best and the same repair would lead: nothing else would be done then.
     *
     * @return list<Branch>
     */
    public function fork(Proposal $proposal): array
    {
        $merge = $proposal->check->isByWheel() && \count($proposal->rows) > 1;
        $best = $proposal->check->firstRow()->observer->wording->best();
        $merged = $seen = [];
        $answers = $this->of($proposal->check, $proposal->at->place, $proposal->rows);
        foreach ($answers as $n => [$outcomes, $masses, $chance]) {
            $off = $merge ? array_filter($outcomes, static fn (string $word): bool => $word !== $best) : [];
            $marked = array_keys($off);
            arsort($masses);
            $lead = $merge ? (string) array_key_first($masses) : '';
            $key = $merge ? implode(' ', [...$marked, $lead]) : (string) $n;
            $merged[$key] ??= [$merge ? [] : $outcomes, 0.0, array_fill(0, \count($masses), 0.0), $marked];
            $merged[$key][1] += $chance;
            foreach ($masses as $i => $mass) {
                $merged[$key][2][$i] += $mass;
            }
            foreach ($off as $row => $word) {
                $seen[$key][$row][$word] = ($seen[$key][$row][$word] ?? 0.0) + $chance;
            }
        }
        $fork = [];
        foreach ($merged as $key => [$outcomes, $chance, $masses, $marked]) {
            $fork[] = new Branch(
                $outcomes,
                $chance,
                $this->leaders(array_map(static fn (float $mass): float => $mass / $chance, $masses)),
                $marked,
                array_map(self::likeliest(...), $seen[$key] ?? []),
            );
        }
        usort($fork, static fn (Branch $a, Branch $b): int => $b->chance <=> $a->chance);

        return $fork;
    }

    /**
     * @param array<string, float> $words chance by word
     *
     * @return list<string> likeliest first, without what is too rare to be named
     */
    private static function likeliest(array $words): array
    {
        arsort($words);
        $named = array_filter($words, static fn (float $chance): bool => $chance >= self::NAMED * array_sum($words));

        return array_map(strval(...), array_keys($named));
    }

    /** @return array<int, float> belief now, by which of `$groups` */
    public function masses(): array
    {
        $masses = array_fill(0, \count($this->groups), 0.0);
        foreach ($this->weights as $i => $weight) {
            $masses[$this->groupOf[$i]] += $weight;
        }

        return $masses;
    }

    /**
     * @param array<int, float> $masses
     *
     * @return list<array{string, float}>
     */
    private function leaders(array $masses): array
    {
        $named = [];
        foreach ($masses as $i => $mass) {
            $named[$this->belief->field->groups->names[$this->groups[$i]]] = $mass;
        }
        $leaders = [];
        $apart = Field::apart($named);
        arsort($apart);
        foreach (\array_slice($apart, 0, 3) as $name => $mass) {
            $leaders[] = [$name, $mass];
        }

        return $leaders;
    }
}
