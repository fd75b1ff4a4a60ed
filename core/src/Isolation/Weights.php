<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Belief in every hypothesis, pairs that nobody named among them, summed over this job's share of slips. */
final readonly class Weights
{
    /**
     * @param array<int, float> $posterior by hypothesis, what is missing is nothing; it sums to 1
     * @param float $second of that the pairs that nobody named
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
     * As shares of the heaviest.
     *
     * @param non-empty-list<non-empty-array<int, float>> $logs
     *
     * @return array{non-empty-list<non-empty-array<int, float>>, float} and the log of that
     */
    public static function scaled(array $logs): array
    {
        $top = max(array_map(static fn (array $column): float => max($column), $logs));
        $scaled = [];
        foreach ($logs as $column) {
            foreach ($column as $i => $log) {
                $column[$i] = exp($log - $top);
            }
            $scaled[] = $column;
        }

        return [$scaled, $top];
    }

    /**
     * @param list<array<int, float>> $scaled what is missing is nothing
     * @param int $named how many hypotheses are named; those after them are composed pairs
     */
    public static function ofScaled(array $scaled, int $named, float $top): self
    {
        $posterior = $slips = [];
        foreach ($scaled as $f => $column) {
            $slips[] = array_sum($column);
            if (0 === $f) {
                $posterior = $column;
                continue;
            }
            foreach ($column as $i => $weight) {
                $posterior[$i] += $weight;
            }
        }
        $sum = array_sum($slips);
        $second = 0.0;
        foreach ($posterior as $i => $weight) {
            $posterior[$i] = $weight / $sum;
            $second += $i >= $named ? $posterior[$i] : 0.0;
        }

        return new self(
            $posterior,
            $second,
            $top + log($sum),
            array_map(static fn (float $share): float => $share / $sum, $slips),
        );
    }
}
