<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** Whether and how the parking brake acts at one wheel. */
final readonly class ParkingBrake
{
    /**
     * @param bool $straight the piston goes back straight: it is neither wound nor motor-driven
     * @param bool $electric a motor at the caliper
     */
    private function __construct(public bool $here, public bool $straight, public bool $electric)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->flag('parking_brake'),
            $shape->flag('piston_goes_back_straight', true),
            $shape->flag('electric_parking'),
        );
    }
}
