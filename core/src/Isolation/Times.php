<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** Minutes that a change of the vehicle's state takes in this shop. */
final readonly class Times
{
    /** @param float $helperMinutes for calling somebody to the pedal */
    private function __construct(
        public float $raiseMinutes,
        public float $wheelsOffMinutes,
        public float $bleedMinutes,
        public float $helperMinutes,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->number('raise_minutes'),
            $shape->number('wheels_off_minutes'),
            $shape->number('bleed_minutes'),
            $shape->number('helper_minutes', 2.0),
        );
    }
}
