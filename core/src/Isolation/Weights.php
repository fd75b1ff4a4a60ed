<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Belief in every particle and in a second fault, and the logarithms it was made of. */
final readonly class Weights
{
    /**
     * @param array<int, float> $posterior by particle; with $second it sums to 1
     * @param array<int, float> $logs log of the unnormalised weight, by particle
     */
    private function __construct(
        public array $posterior,
        public float $second,
        public array $logs,
        public float $secondLog,
    ) {
    }

    /** @param array<int, float> $logs */
    public static function of(array $logs, float $secondLog): self
    {
        $top = max($secondLog, ...$logs);
        $second = exp($secondLog - $top);
        $sum = $second;
        $posterior = [];
        foreach ($logs as $i => $log) {
            $sum += $posterior[$i] = exp($log - $top);
        }
        foreach ($posterior as $i => $weight) {
            $posterior[$i] = $weight / $sum;
        }

        return new self($posterior, $second / $sum, $logs, $secondLog);
    }
}
