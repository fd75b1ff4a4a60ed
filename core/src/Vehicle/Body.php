<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** What is braked: mass in kg, how it stands on its axles, and how large its wheels roll. */
final readonly class Body
{
    /**
     * @param float $frontShare of the weight at rest
     * @param float $heightToWheelbase height of the centre of gravity over the wheelbase
     */
    private function __construct(
        public float $massKg,
        public float $frontShare,
        public float $heightToWheelbase,
        public float $tyreRadiusM,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->positive('mass_kg', 1350.0),
            $shape->share('front_share', 0.60),
            $shape->notNegative('height_to_wheelbase', 0.21),
            $shape->positive('tyre_radius_m'),
        );
    }
}
