<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * One step's formula. With ω = h / h before:
 * a·y(new) = b·y(now) − c·y(before) + h·f(new), a = (1+2ω)/(1+ω), b = 1+ω, c = ω²/(1+ω);
 * without a step before it is backward Euler, a = b = 1, c = 0.
 * The fields hold (b·y(now) − c·y(before)) / a of everything that is integrated.
 *
 * @internal
 */
final readonly class StepRule
{
    /**
     * @param array<int, float> $volumes mL by node
     * @param array<int, float> $now volumes at the start of the step, for the next one
     */
    private function __construct(
        public float $h,
        public float $a,
        public array $volumes,
        public Totals $base,
        private array $now,
        private Totals $totals,
    ) {
    }

    public static function of(Circuit $circuit, CircuitState $state, ?StepPast $past, float $h): self
    {
        $now = $circuit->volumes($state->kpa);
        $totals = Totals::of($state);
        if (null === $past) {
            return new self($h, 1.0, $now, $totals, $now, $totals);
        }
        $w = $h / $past->h;
        $a = (1.0 + 2.0 * $w) / (1.0 + $w);
        $b = (1.0 + $w) / $a;
        $c = $w * $w / (1.0 + $w) / $a;
        $volumes = $now;
        foreach ($past->volumes as $node => $volume) {
            $volumes[$node] = $b * $volumes[$node] - $c * $volume;
        }

        return new self($h, $a, $volumes, $totals->lessBefore($b, $past->totals, $c), $now, $totals);
    }

    /** y(new) from one of the fields and its rate at the end of the step. */
    public function next(float $base, float $rate): float
    {
        return $base + $this->h / $this->a * $rate;
    }

    /** The rate that leads from one of the fields to y(new). */
    public function rate(float $base, float $new): float
    {
        return ($new - $base) * $this->a / $this->h;
    }

    public function past(): StepPast
    {
        return new StepPast($this->h, $this->now, $this->totals);
    }
}
