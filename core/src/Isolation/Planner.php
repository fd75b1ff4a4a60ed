<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/**
 * Weighs every check that could be made now: net worth = saving + λ·bits − minutes·rate − consumables,
 * λ = (expected cost now − expected cost if the truth were known) / entropy now; the minutes hold the way there.
 *
 * @phpstan-import-type PredictedRow from Signature
 */
final class Planner
{
    /** No check counts as shorter (minutes; handbook). */
    private const LEAST_MINUTES = 0.5;
    /** The lightest particles that hold no more than this of all doubt in the leader move no choice (share). */
    private const NEGLIGIBLE = 0.005;
    /** What stands among the leaders for a second fault. */
    public const SECOND = 'second@vehicle';
    /** No stretch of work counts as shorter: dividing by a minute would always buy trifles first (estimate; 2 to 6). */
    private const FLOOR_MINUTES = 4.0;
    /** What teaches less is not made for its information (bits). */
    private const LEAST_BITS = 0.02;
    /** How much of what else could be done at a station counts, best first: it tells partly the same (estimate). */
    private const COUNTS = [0.6, 0.4];
    /** Answers rarer than this are lumped together as "teaches nothing". */
    private const RARE = 0.003;

    /** @var list<int> particles that still matter */
    private array $live;
    /** @var list<float> */
    private array $weights;
    /** @var list<int> which of `$groups` each live particle has; "a second fault" is the last live entry */
    private array $groupOf;
    /** @var list<int> the groups that still matter, in the order of the field; "a second fault" last */
    private array $groups;
    private Costs $costs;
    private float $costNow;
    private float $entropyNow;
    private float $lambda;

    /** @param bool $alone as if no second fault could stand behind what was read */
    public function __construct(private Belief $belief, private Settings $settings, bool $alone = false)
    {
        $field = $belief->field;
        $live = $weights = $groupOf = [];
        $doubt = 1.0 - $belief->leader()[1];
        foreach (self::heavier($belief->weights->posterior, self::NEGLIGIBLE * $doubt) as $i => $weight) {
            $live[] = $i;
            $weights[] = $weight;
            $groupOf[] = $field->groups->of[$i];
        }
        $weights[] = $alone ? 0.0 : $belief->second();
        $groupOf[] = \count($field->groups->names);
        $groups = array_values(array_unique($groupOf));
        sort($groups);
        $place = array_flip($groups);
        $groupOf = array_map(static fn (int $group): int => $place[$group], $groupOf);
        // what is left out must not be missing: the cost of a search counts what none of its repairs would cure
        $sum = array_sum($weights);
        $weights = array_map(static fn (float $weight): float => $weight / $sum, $weights);
        $this->live = $live;
        $this->weights = $weights;
        $this->groupOf = $groupOf;
        $this->groups = $groups;
        $this->costs = Costs::of($field, $settings)->only($groups);
        $masses = $this->masses($weights, $groupOf);
        $this->costNow = $this->costs->expected($masses);
        $this->entropyNow = Belief::entropy($masses);
        $this->lambda
            = $this->entropyNow > 1e-9
                ? ($this->costNow - $this->costs->ifTruthWereKnown($masses)) / $this->entropyNow
                : 0.0;
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
     * Every check that has its turn and has rows still open in this epoch, best first.
     *
     * @return list<Proposal>
     */
    public function rank(Situation $now): array
    {
        $knowledge = $this->belief->field->knowledge;
        $layout = $this->belief->field->layout;
        $troubles = $now->troubles($knowledge->checks);
        $held = $now->held($knowledge->checks);
        $answers = $now->seen($knowledge->checks);
        $unspun = Situation::isOfDrag($troubles) && !$now->spun($knowledge->checks);
        $proposals = $seen = [];
        foreach ($now->readings as $reading) {
            $seen[$this->belief->field->same($reading->check)] = true;
        }
        foreach ($knowledge->checks as $check) {
            if ($check->role->proof || $check->role->asked || !$check->demand->turn->fits($troubles, $answers)) {
                continue;
            }
            if ($unspun && Lift::WheelsOff === $check->demand->lift) {
                continue;
            }
            foreach ($check->everywhere($layout) as $at) {
                $open = $now->open($check, $at);
                $same = $this->belief->field->same($at);
                $known = isset($seen[$same]) && !$now->made($at);
                if ([] !== $open && !$known && !self::isFree($check, $at->place, $held)) {
                    $proposals[] = $this->weigh($check, $at->place, $now, $open);
                }
            }
        }

        return $this->scored($proposals);
    }

    /** @param list<string>|null $rows those to ask; null for all */
    public function weigh(Check $check, Place $place, Situation $now, ?array $rows = null): Proposal
    {
        $rows ??= array_map(strval(...), array_keys($check->rows));
        $bits = $this->entropyNow;
        $after = 0.0;
        $seen = 0.0;
        foreach ($this->answers($check, $place, $rows) as [, $masses, $chance]) {
            foreach ($masses as $i => $mass) {
                $masses[$i] = $mass / $chance;
            }
            $bits -= $chance * Belief::entropy($masses);
            $after += $chance * $this->costs->expected($masses);
            $seen += $chance;
        }
        $new = $this->newness($check, $place, $rows);
        $bits = $new * max(0.0, $bits - (1.0 - $seen) * $this->entropyNow);
        $saving = $new * ($this->costNow - $after - (1.0 - $seen) * $this->costNow);
        $way = (new Way($now->car, $this->settings->times, $this->belief->field->knowledge->stations))->minutes($check);
        $share = \count($rows) / \count($check->rows);
        $minutes = max(self::LEAST_MINUTES, $share * $check->demand->minutes) + $way;
        $net
            = $saving
            + $this->lambda * $bits
            - $minutes * $this->settings->labour->rateCentsPerMinute
            - $check->demand->consumablesCents;

        return new Proposal(
            $check,
            $check->at($place),
            new Worth($bits, $saving, $minutes, $net, $way, $net + $way * $this->settings->labour->rateCentsPerMinute),
            $this->gates($check, $place, $now),
            [],
            $rows,
        );
    }

    /** A reading taken once more; null where that cannot be made now. */
    public function again(Reading $reading, Situation $now): ?Proposal
    {
        $check = $this->belief->field->knowledge->checks->of($reading->check);
        $again = $this->weigh($check, $reading->check->place, $now);

        return $again->isPossible() ? $again : null;
    }

    /** Held against others by itself alone. */
    public function alone(Proposal $one): Proposal
    {
        return $this->scored([$one])[0];
    }

    /**
     * From what each would be worth alone to how they are held against each other.
     *
     * @param list<Proposal> $proposals with net worth for their score
     *
     * @return list<Proposal> best first
     */
    private function scored(array $proposals): array
    {
        $scored = $there = $waiting = [];
        foreach ($proposals as $one) {
            if ($one->isWorthItThere()) {
                $there[$one->spot()][] = $one;
            }
            $waiting[(string) $one->waitsFor()][] = $one;
        }
        foreach ($proposals as $one) {
            $worth = $one->worth;
            $scored[] = $one->scored(match ($this->settings->scoring) {
                Scoring::PerMinute => $worth->score / $worth->minutes,
                Scoring::Bits => $worth->bits > self::LEAST_BITS
                    ? $worth->bits / max(self::FLOOR_MINUTES, $worth->minutes)
                    : -1.0,
                Scoring::Ahead => self::ahead(
                    $one,
                    $there[$one->spot()] ?? [],
                    $waiting[(string) $one->at] ?? [],
                ),
            });
        }
        usort(
            $scored,
            static fn (Proposal $a, Proposal $b): int => [$b->worth->score, (string) $a->at] <=> [
                $a->worth->score,
                (string) $b->at,
            ],
        );

        return $scored;
    }

    /**
     * Worth of going there, over all minutes: the check itself and, counted less, the two best others that can be done
     * at the same station in the same state of the vehicle. The way is gone once. Or of what only waits for it.
     *
     * @param list<Proposal> $there what else is worth making at its spot, itself among them
     * @param list<Proposal> $waiting what waits for it alone
     */
    private static function ahead(Proposal $one, array $there, array $waiting): float
    {
        $others = [];
        foreach ($there as $other) {
            if ($other !== $one) {
                $others[] = [$other->worth->aloneCents, $other->worth->minutes - $other->worth->wayMinutes];
            }
        }
        rsort($others);
        $net = $one->worth->score;
        $minutes = $one->worth->minutes;
        foreach (\array_slice($others, 0, \count(self::COUNTS)) as $n => [$alone, $more]) {
            $net += self::COUNTS[$n] * $alone;
            $minutes += self::COUNTS[$n] * $more;
        }

        $best = $net / max(self::FLOOR_MINUTES, $minutes);
        foreach ($waiting as $other) {
            // both on one way: the first for the sake of what it opens
            $both = $one->worth->score + $other->worth->aloneCents;
            $long = $one->worth->minutes + $other->worth->minutes - $other->worth->wayMinutes;
            $best = max($best, $both / max(self::FLOOR_MINUTES, $long));
        }

        return $best;
    }

    /**
     * Where some wheel is held, nobody looks into one that turns freely.
     *
     * @param list<Corner> $held
     */
    private static function isFree(Check $check, Place $place, array $held): bool
    {
        if ([] === $held || null === $place->corner() || Lift::WheelsOff !== $check->demand->lift) {
            return false;
        }

        return [] === array_filter($held, static fn (Corner $wheel): bool => $place->covers(Place::at($wheel)));
    }

    /**
     * What repeats an error that other readings share already is worth the less: its own noise alone is new.
     *
     * @param list<string> $rows
     */
    private function newness(Check $check, Place $place, array $rows): float
    {
        $new = 1.0;
        foreach ($rows as $row) {
            $signature = $this->belief->field->row($check->at($place), $row);
            if ($signature['common'] > 0.0 && $this->belief->knows($signature['cause'])) {
                $new = min($new, 1.0 - $signature['common'] ** 2 / $signature['noise'] ** 2);
            }
        }

        return $new;
    }

    /**
     * What each answer of a check would leave, likeliest first. The many answers of a sheet with four wheels are merged
     * by which wheels are not at their best.
     *
     * @return list<Branch>
     */
    public function fork(Proposal $proposal): array
    {
        $merge = $proposal->check->isByWheel() && \count($proposal->rows) > 1;
        $best = $proposal->check->firstRow()->observer->wording->best();
        $merged = [];
        $answers = $this->answers($proposal->check, $proposal->at->place, $proposal->rows);
        foreach ($answers as $n => [$outcomes, $masses, $chance]) {
            $off = array_filter($outcomes, static fn (string $word): bool => $word !== $best);
            $marked = $merge ? array_keys($off) : [];
            $key = $merge ? implode(' ', $marked) : (string) $n;
            $merged[$key] ??= [$merge ? [] : $outcomes, 0.0, array_fill(0, \count($masses), 0.0), $marked];
            $merged[$key][1] += $chance;
            foreach ($masses as $i => $mass) {
                $merged[$key][2][$i] += $mass;
            }
        }
        $fork = [];
        foreach ($merged as [$outcomes, $chance, $masses, $marked]) {
            $fork[] = new Branch(
                $outcomes,
                $chance,
                $this->leaders(array_map(static fn (float $mass): float => $mass / $chance, $masses)),
                $marked,
            );
        }
        usort($fork, static fn (Branch $a, Branch $b): int => $b->chance <=> $a->chance);

        return $fork;
    }

    /** @return list<Gate> */
    private function gates(Check $check, Place $place, Situation $now): array
    {
        $missing = $this->settings->missingTools($check->demand->tools);
        $knowledge = $this->belief->field->knowledge;
        $gates = $knowledge->gates->closedFor($check, $place, $now, $knowledge->checks);

        $named = array_map(static fn (string $tool): string => 'tool-'.$tool, $missing);

        return [] === $missing ? $gates : [...$gates, new Gate('tools', $named, true)];
    }

    /**
     * Particles of one group to which the check shows the same are one here: most of them, for most checks.
     *
     * @param list<string> $rows
     *
     * @return list<array{array<string, string>, array<int, float>, float}> answers, each with its outcomes by row, the
     *     unnormalised mass of each of `$groups` and its chance
     */
    private function answers(Check $check, Place $place, array $rows): array
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
     * @return array<string, list<float>> chance of each lump by word, "a second fault" last: the average over all
     */
    private function columns(array $signature, array $first): array
    {
        ['index' => $index, 'table' => $table] = $signature;
        $shares = array_fill(0, \count($table), 0.0);
        foreach ($this->belief->opening->weights as $i => $weight) {
            $shares[$index[$i]] += $weight;
        }
        $named = max(1e-12, 1.0 - $this->belief->opening->second);
        $columns = [];
        foreach ($signature['words'] as $w => $word) {
            $column = [];
            foreach ($first as $i) {
                $column[] = $table[$index[$i]][$w];
            }
            $background = 0.0;
            foreach ($shares as $k => $share) {
                $background += $share * $table[$k][$w];
            }
            $column[] = $background / $named;
            $columns[$word] = $column;
        }

        return $columns;
    }

    /**
     * @param list<list<int>> $indices by row: the prediction of each particle
     *
     * @return array{list<float>, list<int>, list<int>} weight and group of each lump, "a second fault" last; the first
     *     particle of each
     */
    private function lumps(array $indices): array
    {
        $lumpOf = \array_slice($this->groupOf, 0, \count($this->live));
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
        $second = \count($this->live);
        $groupOf[] = $this->groupOf[$second];

        return [[...array_values($weights), $this->weights[$second]], $groupOf, $first];
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
     * @param list<float> $weights
     * @param list<int> $groupOf group of each weight
     *
     * @return array<int, float> by which of `$groups`
     */
    private function masses(array $weights, array $groupOf): array
    {
        $masses = array_fill(0, \count($this->groups), 0.0);
        foreach ($weights as $i => $weight) {
            $masses[$groupOf[$i]] += $weight;
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
            $named[$this->belief->field->groups->names[$this->groups[$i]] ?? self::SECOND] = $mass;
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
