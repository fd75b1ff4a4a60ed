<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

use Rodrel\Core\Shape;

/** A drive as data: cruising at one speed with equal stops spread over it, the last one at its end where it has any. */
final readonly class Drive
{
    public function __construct(
        public string $id,
        public float $speedMPerS,
        public float $seconds,
        public int $stops,
    ) {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        if ($shape->number('speed_kmh') <= 0.0 || $shape->number('minutes') <= 0.0) {
            throw $shape->wrong('speed_kmh', 'speed and minutes above zero are expected');
        }

        return new self(
            $id,
            $shape->number('speed_kmh') / 3.6,
            $shape->number('minutes') * 60.0,
            (int) $shape->number('stops'),
        );
    }

    /** Kinetic energy of a stop from cruising speed, J: ½ m v². */
    public function stopJoule(float $massKg): float
    {
        return 0.5 * $massKg * $this->speedMPerS ** 2;
    }
}
