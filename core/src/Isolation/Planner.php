<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\Place;

/**
 * Weighs every check that could be made now:
 * score = (saving + λ·bits − minutes·rate − consumables) / minutes,
 * λ = (expected cost now − expected cost if the truth were known) / entropy now.
 */
final class Planner
{
    /** No check counts as shorter (minutes; handbook). */
    private const LEAST_MINUTES = 0.5;
    /** Particles below this share no longer move the choice of a check. */
    private const NEGLIGIBLE = 1e-5;
    /** What stands among the leaders for a second fault. */
    public const SECOND = 'second@vehicle';
    /** Answers rarer than this are lumped together as "teaches nothing". */
    private const RARE = 0.003;

    /** @var list<int> particles that still matter */
    private array $live;
    /** @var list<float> */
    private array $weights;
    /** @var list<int> group of each live particle; "a second fault" is the last live entry */
    private array $groupOf;
    private Costs $costs;
    private float $costNow;
    private float $entropyNow;
    private float $lambda;

    public function __construct(private Belief $belief, private Settings $settings)
    {
        $field = $belief->field;
        $live = $weights = $groupOf = [];
        foreach ($belief->weights->posterior as $i => $weight) {
            if ($weight > self::NEGLIGIBLE) {
                $live[] = $i;
                $weights[] = $weight;
                $groupOf[] = $field->groups->of[$i];
            }
        }
        $weights[] = $belief->second();
        $groupOf[] = \count($field->groups->names);
        $this->live = $live;
        $this->weights = $weights;
        $this->groupOf = $groupOf;
        $this->costs = Costs::of($field, $settings);
        $masses = $this->masses($weights, $groupOf);
        $this->costNow = $this->costs->expected($masses);
        $this->entropyNow = Belief::entropy($masses);
        $this->lambda
            = $this->entropyNow > 1e-9
                ? ($this->costNow - $this->costs->ifTruthWereKnown($masses)) / $this->entropyNow
                : 0.0;
    }

    /**
     * Every check that has not been made in this epoch, best first.
     *
     * @return list<Proposal>
     */
    public function rank(Situation $now): array
    {
        $proposals = [];
        foreach ($this->belief->field->knowledge->checks as $check) {
            foreach ($check->everywhere($this->belief->field->layout) as $at) {
                if (!$check->role->proof && !$now->made($at)) {
                    $proposals[] = $this->weigh($check, $at->place, $now);
                }
            }
        }
        usort(
            $proposals,
            static fn (Proposal $a, Proposal $b): int => [$b->worth->score, (string) $a->at] <=> [
                $a->worth->score,
                (string) $b->at,
            ],
        );

        return $proposals;
    }

    public function weigh(Check $check, Place $place, Situation $now): Proposal
    {
        $bits = $this->entropyNow;
        $after = 0.0;
        $seen = 0.0;
        [$answers, $groupOf] = $this->answers($check, $place);
        foreach ($answers as [, $weights, $chance]) {
            $masses = $this->masses($weights, $groupOf, $chance);
            $bits -= $chance * Belief::entropy($masses);
            $after += $chance * $this->costs->expected($masses);
            $seen += $chance;
        }
        $bits = max(0.0, $bits - (1.0 - $seen) * $this->entropyNow);
        $saving = $this->costNow - $after - (1.0 - $seen) * $this->costNow;
        $minutes = max(self::LEAST_MINUTES, $check->demand->minutes + $this->changeMinutes($check, $now));
        $score
            = ($saving
                + $this->lambda * $bits
                - $minutes * $this->settings->labour->rateCentsPerMinute
                - $check->demand->consumablesCents)
            / $minutes;

        return new Proposal(
            $check,
            $check->at($place),
            new Worth($bits, $saving, $minutes, $score),
            $this->gates($check, $place, $now),
        );
    }

    /**
     * What each answer of a check would leave, likeliest first. The many answers of a sheet with four wheels are merged
     * by which wheels are not at their best.
     *
     * @return list<Branch>
     */
    public function fork(Proposal $proposal): array
    {
        $merge = $proposal->check->isByWheel();
        $best = $proposal->check->firstRow()->observer->wording->best();
        $merged = [];
        [$answers, $groupOf] = $this->answers($proposal->check, $proposal->at->place);
        foreach ($answers as $n => [$outcomes, $weights, $chance]) {
            $off = array_filter($outcomes, static fn (string $word): bool => $word !== $best);
            $marked = $merge ? array_keys($off) : [];
            $key = $merge ? implode(' ', $marked) : (string) $n;
            $masses = $this->masses($weights, $groupOf);
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

    /** Minutes for lifting, taking wheels off and bleeding what gets opened. */
    private function changeMinutes(Check $check, Situation $now): float
    {
        $minutes = 0.0;
        $times = $this->settings->times;
        $wanted = $check->demand->lift;
        if ($wanted->level() > $now->car->lift->level()) {
            $minutes += $now->car->onGround() ? $times->raiseMinutes : 0.0;
            $minutes += Lift::WheelsOff === $wanted ? $times->wheelsOffMinutes : 0.0;
        } elseif (Lift::Ground === $wanted && !$now->car->onGround()) {
            $minutes += $times->raiseMinutes;
        }

        return $minutes + (null !== $check->demand->opens && !$now->car->opened ? $times->bleedMinutes : 0.0);
    }

    /**
     * Particles of one group to which the check shows the same are one here: most of them, for most checks.
     *
     * @return array{list<array{array<string, string>, list<float>, float}>, list<int>} answers, each with its outcomes
     *     by row, the unnormalised weights and its chance; the group of each weight
     */
    private function answers(Check $check, Place $place): array
    {
        $rows = array_keys($check->rows);
        $signatures = [];
        foreach ($rows as $row) {
            $signatures[$row] = $this->belief->field->signature->rows[$check->at($place)->row($row)];
        }
        [$weights, $groupOf, $first] = $this->lumps(array_column($signatures, 'index'));
        $answers = [[[], $weights, 1.0]];
        foreach ($signatures as $row => $signature) {
            $index = $signature['index'];
            $shares = array_fill(0, \count($signature['table']), 0.0);
            foreach ($this->belief->opening->weights as $i => $weight) {
                $shares[$index[$i]] += $weight;
            }
            $columns = [];
            foreach ($signature['words'] as $w => $word) {
                $chances = array_column($signature['table'], $w);
                $background = 0.0;
                foreach ($shares as $k => $share) {
                    $background += $share * $chances[$k];
                }
                $column = [];
                foreach ($first as $i) {
                    $column[] = $chances[$index[$i]];
                }
                $column[] = $background / max(1e-12, 1.0 - $this->belief->opening->second);
                $columns[$word] = $column;
            }
            $answers = $this->split($answers, $row, $columns);
        }

        return [$answers, $groupOf];
    }

    /**
     * @param list<list<int>> $indices by row: the prediction of each particle
     *
     * @return array{list<float>, list<int>, list<int>} weight and group of each lump, "a second fault" last; the first
     *     particle of each
     */
    private function lumps(array $indices): array
    {
        $keys = [];
        foreach ($this->live as $n => $i) {
            $keys[$n] = (string) $this->groupOf[$n];
        }
        foreach ($indices as $index) {
            foreach ($this->live as $n => $i) {
                $keys[$n] .= ' '.$index[$i];
            }
        }
        $weights = $groupOf = $first = [];
        foreach ($keys as $n => $key) {
            if (isset($weights[$key])) {
                $weights[$key] += $this->weights[$n];
            } else {
                $weights[$key] = $this->weights[$n];
                $groupOf[] = $this->groupOf[$n];
                $first[] = $this->live[$n];
            }
        }
        $second = \count($this->live);
        $groupOf[] = $this->groupOf[$second];

        return [[...array_values($weights), $this->weights[$second]], $groupOf, $first];
    }

    /**
     * @param list<array{array<string, string>, list<float>, float}> $answers
     * @param array<string, list<float>> $columns
     *
     * @return list<array{array<string, string>, list<float>, float}>
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
     * @param list<float> $weights
     * @param list<int> $groupOf group of each weight
     *
     * @return array<int, float> by group, "a second fault" last
     */
    private function masses(array $weights, array $groupOf, float $sum = 1.0): array
    {
        $masses = array_fill(0, \count($this->belief->field->groups->names) + 1, 0.0);
        foreach ($weights as $i => $weight) {
            $masses[$groupOf[$i]] += $weight / $sum;
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
        arsort($masses);
        $leaders = [];
        foreach (\array_slice($masses, 0, 3, true) as $i => $mass) {
            $leaders[] = [$this->belief->field->groups->names[$i] ?? self::SECOND, $mass];
        }

        return $leaders;
    }
}
