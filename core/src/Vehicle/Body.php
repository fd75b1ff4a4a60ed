<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** What is braked and how: mass in kg, how it stands on its axles, how large its wheels roll, what applies them. */
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
        public Reach $reach,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->positive('mass_kg', 1350.0),
            $shape->share('front_share', 0.60),
            $shape->notNegative('height_to_wheelbase', 0.21),
            $shape->positive('tyre_radius_m'),
            $shape->has('reach') ? $shape->oneOf('reach', Reach::class) : Reach::Foot,
        );
    }
}
