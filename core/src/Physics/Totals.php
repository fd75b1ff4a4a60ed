<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * The volumes in mL that a step adds up: piston, leaked, caught at an opened joint, drawn from the reservoir.
 *
 * @internal
 */
final readonly class Totals
{
    public function __construct(
        public float $pistonMl,
        public float $leakedMl,
        public float $caughtMl,
        public float $drawnMl,
    ) {
    }

    public static function of(CircuitState $state): self
    {
        return new self($state->pistonMl, $state->leakedMl, $state->caughtMl, $state->drawnMl);
    }

    /** b·this − c·before */
    public function lessBefore(float $b, self $before, float $c): self
    {
        return new self(
            $b * $this->pistonMl - $c * $before->pistonMl,
            $b * $this->leakedMl - $c * $before->leakedMl,
            $b * $this->caughtMl - $c * $before->caughtMl,
            $b * $this->drawnMl - $c * $before->drawnMl,
        );
    }
}
