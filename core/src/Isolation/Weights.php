<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Belief in every hypothesis and in a second fault, summed over how often this job's answers are wrong. */
final readonly class Weights
{
    /**
     * @param array<int, float> $posterior by hypothesis; with $second it sums to 1
     * @param float $evidence log of how likely everything was that was read
     * @param list<float> $slips belief in each share of slips
     */
    private function __construct(
        public array $posterior,
        public float $second,
        public float $evidence,
        public array $slips,
    ) {
    }

    /**
     * @param non-empty-list<non-empty-array<int, float>> $logs of the unnormalised weights, by share of slips, then
     *     hypothesis; the last one is
     *     "a second fault"
     */
    public static function of(array $logs): self
    {
        $top = max(array_map(static fn (array $column): float => max($column), $logs));
        $posterior = array_fill(0, \count($logs[0]), 0.0);
        $slips = [];
        foreach ($logs as $column) {
            $all = 0.0;
            foreach ($column as $i => $log) {
                $weight = exp($log - $top);
                $posterior[$i] += $weight;
                $all += $weight;
            }
            $slips[] = $all;
        }
        $sum = array_sum($slips);
        foreach ($posterior as $i => $weight) {
            $posterior[$i] = $weight / $sum;
        }
        $second = array_pop($posterior);

        return new self(
            $posterior,
            $second,
            $top + log($sum),
            array_map(static fn (float $share): float => $share / $sum, $slips),
        );
    }
}
