<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** The vacuum booster, at the pedal or in the line; an empty object in the document is a car without one. */
final readonly class Assist
{
    /**
     * @param float $gain output over input force
     * @param float $cutInN input at which it begins, N
     * @param float $jumpOutN least output once it has begun, N
     * @param float $areaCm2 of the diaphragm
     * @param float $vacuumKpa of the supply, below the air
     * @param bool $pump a pump of its own makes the vacuum, not the engine
     * @param Remote|null $remote one that sits in the line
     */
    private function __construct(
        public float $gain,
        public float $cutInN,
        public float $jumpOutN,
        public float $areaCm2,
        public float $vacuumKpa,
        public bool $pump,
        public ?Remote $remote,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->positive('gain', 1.0),
            $shape->notNegative('cut_in_n', 0.0),
            $shape->notNegative('jump_out_n', 0.0),
            $shape->notNegative('area_cm2', 0.0),
            $shape->notNegative('vacuum_kpa', 0.0),
            $shape->flag('pump'),
            $shape->has('remote') ? Remote::fromShape($shape->in('remote')) : null,
        );
    }

    /** Whether it helps the foot. */
    public function helps(): bool
    {
        return null !== $this->remote || ($this->gain > 1.0 && $this->areaCm2 > 0.0);
    }
}
