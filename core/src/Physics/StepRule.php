<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * One step's formula. With ω = h / h before:
 * a·y(new) = b·y(now) − c·y(before) + h·f(new), a = (1+2ω)/(1+ω), b = 1+ω, c = ω²/(1+ω);
 * without a step before it is backward Euler, a = b = 1, c = 0.
 * The fields hold (b·y(now) − c·y(before)) / a of everything that is integrated. One of these is made for every step
 * that is tried: plain fields, set once.
 *
 * @internal
 */
final class StepRule
{
    /** Seconds that the rate at the end of the step counts for, h / a, and its reciprocal. */
    public float $s;
    public float $perS;
    /** @var array<int, float> mL by node */
    public array $volumes;
    public float $pistonMl;
    public float $leakedMl;
    public float $caughtMl;
    public float $drawnMl;

    /** @param StepPast $now where the step starts, for the next one */
    private function __construct(public float $h, public StepPast $now)
    {
        $this->s = $h;
        $this->perS = 1.0 / $h;
        $this->volumes = $now->volumes;
        $this->pistonMl = $now->pistonMl;
        $this->leakedMl = $now->leakedMl;
        $this->caughtMl = $now->caughtMl;
        $this->drawnMl = $now->drawnMl;
    }

    public static function of(Circuit $circuit, CircuitState $state, StepPast $past, float $h): self
    {
        $rule = new self($h, StepPast::of($circuit, $state, $h));
        if ($past->h > 0.0) {
            $rule->leanOn($past, $h / $past->h);
        }

        return $rule;
    }

    /** y(new) from one of the fields and its rate at the end of the step. */
    public function next(float $base, float $rate): float
    {
        return $base + $this->s * $rate;
    }

    /** The rate that leads from one of the fields to y(new). */
    public function rate(float $base, float $new): float
    {
        return ($new - $base) * $this->perS;
    }

    /** @param float $w h / h before */
    private function leanOn(StepPast $past, float $w): void
    {
        $perA = 1.0 / (1.0 + 2.0 * $w);
        $b = (1.0 + $w) * (1.0 + $w) * $perA;
        $c = $w * $w * $perA;
        $this->s = $this->h * (1.0 + $w) * $perA;
        $this->perS = 1.0 / $this->s;
        $volumes = $this->volumes;
        foreach ($past->volumes as $node => $volume) {
            $volumes[$node] = $b * $volumes[$node] - $c * $volume;
        }
        $this->volumes = $volumes;
        $this->pistonMl = $b * $this->pistonMl - $c * $past->pistonMl;
        $this->leakedMl = $b * $this->leakedMl - $c * $past->leakedMl;
        $this->caughtMl = $b * $this->caughtMl - $c * $past->caughtMl;
        $this->drawnMl = $b * $this->drawnMl - $c * $past->drawnMl;
    }
}
