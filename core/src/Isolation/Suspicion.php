<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * "I think it is the hose": what would refute it, what would confirm it, and what it costs to be wrong.
 *
 * @phpstan-type Seen array{at: CheckAt, row: string, word: string, chance: float, after: float, minutes: float}
 */
final readonly class Suspicion
{
    private const SHOWN = 3;
    /** An answer rarer than this is nothing to wait for (share). */
    private const LIKELY = 0.1;
    /** It refutes or confirms from so many times on. */
    private const TIMES = 4.0;

    /**
     * @param list<Seen> $refute answers that would take it away; chance: if it is something else
     * @param list<Seen> $confirm answers that would bear it out; chance: if it is this
     * @param float $costCents of its repair
     * @param float $wrongCents expected cost of repairing it now and going on until the vehicle is cured
     * @param float $knownCents the same if one knew
     */
    private function __construct(
        public GroupAt $group,
        public float $mass,
        public array $refute,
        public array $confirm,
        public float $costCents,
        public float $wrongCents,
        public float $knownCents,
    ) {
    }

    public static function of(Belief $belief, Situation $now, Settings $settings, GroupAt $group): self
    {
        $standing = new Standing($belief, $now, $settings);
        $members = $belief->field->membersOf($group);
        $own = $others = [];
        foreach ($belief->field->folded($belief->weights->posterior) as $i => $weight) {
            if (isset($members[$i])) {
                $own[$i] = $weight;
            } else {
                $others[$i] = $weight;
            }
        }
        // what every reading denies is told as it commonly is
        $own = array_sum($own) > 0.0 ? $own : array_intersect_key($belief->opening->weights, $members);
        $mass = min(1.0, $belief->group($group));
        $refute = $confirm = [];
        foreach (Standing::possible($standing->everything()) as $one) {
            foreach ($one->rows as $row) {
                foreach (self::words($belief, $one->at->row($row), $own, $others) as $word => [$if, $else]) {
                    $times = $if / max($else, 1e-9);
                    $odds = $mass / max(1e-9, 1.0 - $mass) * $times;
                    $seen = [
                        'at' => $one->at,
                        'row' => $row,
                        'word' => $word,
                        'chance' => $times < 1.0 ? $else : $if,
                        'after' => $odds / (1.0 + $odds),
                        'minutes' => $one->worth->minutes,
                    ];
                    if ($times <= 1.0 / self::TIMES && $else >= self::LIKELY) {
                        $refute[] = [$else * log(1.0 / max($times, 1e-3)) / $one->worth->minutes, $seen];
                    } elseif ($times >= self::TIMES && $if >= self::LIKELY) {
                        $confirm[] = [$if * log(min($times, 1e3)) / $one->worth->minutes, $seen];
                    }
                }
            }
        }
        $costs = Costs::of($belief->field, $settings);
        $sums = $belief->field->groups->sums($belief->field->folded($belief->weights->posterior));
        $masses = array_map(static fn (string $name): float => $sums[$name], $belief->field->groups->names);
        $cost = Costs::ofGroup($belief->field->knowledge->cures, $settings, $group);

        return new self(
            $group,
            $mass,
            self::best($refute),
            self::best($confirm),
            $cost,
            $cost + self::afterwards($costs, self::leftOver($belief, $masses, $group), $settings),
            $costs->ifTruthWereKnown($masses),
        );
    }

    /**
     * @param list<array{float, Seen}> $found
     *
     * @return list<Seen> what tells most for its minutes first, each check once
     */
    private static function best(array $found): array
    {
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $best = [];
        foreach ($found as [, $seen]) {
            $best[(string) $seen['at']] ??= $seen;
        }

        return \array_slice(array_values($best), 0, self::SHOWN);
    }

    /**
     * @param array<int, float> $own
     * @param array<int, float> $others
     *
     * @return array<string, array{float, float}> chance of each word if it is this, and if it is not
     */
    private static function words(Belief $belief, string $row, array $own, array $others): array
    {
        $signature = $belief->field->signature->rows[$row];
        $words = [];
        foreach ([$own, $others] as $side => $weights) {
            $sum = 0.0;
            $mass = array_fill(0, \count($signature['words']), 0.0);
            foreach ($weights as $i => $weight) {
                if (isset($signature['index'][$i])) {
                    $sum += $weight;
                    foreach ($signature['table'][$signature['index'][$i]] as $w => $chance) {
                        $mass[$w] += $weight * $chance;
                    }
                }
            }
            foreach ($signature['words'] as $w => $word) {
                $words[$word][$side] = $mass[$w] / max($sum, 1e-12);
            }
        }

        /** @var array<string, array{float, float}> $words */
        return $words;
    }

    /**
     * Each time that it does not cure the vehicle, a comeback and the search for the rest.
     *
     * @param array<int, float> $left by group, summing to the chance that something is left
     */
    private static function afterwards(Costs $costs, array $left, Settings $settings): float
    {
        $rest = array_sum($left);
        $each = array_map(static fn (float $mass): float => $mass / max($rest, 1e-12), $left);

        return $rest <= 1e-9 ? 0.0 : $rest * ($settings->labour->comebackCents + $costs->expected($each));
    }

    /**
     * What is left to be cured once a group is repaired; a pair leaves its other half.
     *
     * @param array<int, float> $masses by group or pair
     *
     * @return array<int, float>
     */
    private static function leftOver(Belief $belief, array $masses, GroupAt $group): array
    {
        $names = $belief->field->groups->names;
        $left = $masses;
        foreach ($names as $i => $name) {
            $two = Pair::names($name);
            if (!\in_array((string) $group, $two, true)) {
                continue;
            }
            $left[$i] = 0.0;
            foreach ($two as $one) {
                $at = array_search($one, $names, true);
                if ($one !== (string) $group && \is_int($at)) {
                    $left[$at] += $masses[$i];
                }
            }
        }

        return $left;
    }
}
