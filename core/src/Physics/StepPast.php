<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * The state that a step of `$h` seconds started from, kept for the next step of a two-step method: all that is
 * integrated, in mL. Without one before it, `$h` is 0. Plain fields, set once: there is one for every step.
 *
 * @internal
 */
final class StepPast
{
    public float $pistonMl = 0.0;
    public float $leakedMl = 0.0;
    public float $caughtMl = 0.0;
    public float $drawnMl = 0.0;

    /** @param array<int, float> $volumes mL by node */
    private function __construct(public float $h, public array $volumes)
    {
    }

    public static function none(): self
    {
        return new self(0.0, []);
    }

    public static function of(Circuit $circuit, CircuitState $state, float $h): self
    {
        $past = new self($h, $circuit->volumes($state->kpa));
        $past->pistonMl = $state->pistonMl;
        $past->leakedMl = $state->leakedMl;
        $past->caughtMl = $state->caughtMl;
        $past->drawnMl = $state->drawnMl;

        return $past;
    }
}
