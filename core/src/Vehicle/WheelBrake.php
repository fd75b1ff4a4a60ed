<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** One wheel's brake as fitted: hydraulics, friction pair and what turns with the wheel. */
final readonly class WheelBrake
{
    public function __construct(
        public bool $disc,
        public float $boreMm,
        public float $stiffnessMlPerKpa,
        public float $clearanceMl,
        public float $springKpa,
        public float $touchKpa,
        public float $friction,
        public float $radiusM,
        public float $springN,
        public float $baseDragNm,
        public float $drivelineNm,
        public bool $parkingBrake,
        public bool $pistonGoesBackStraight,
        public bool $electricParking,
        public int $bleeders,
        public ?float $fluidMl,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->text('brake');
        if ('disc' !== $kind && 'drum' !== $kind) {
            throw $shape->wrong('brake', '"disc" or "drum" is expected');
        }
        foreach (['bore_mm', 'radius_m', 'friction', 'touch_kpa'] as $key) {
            if ($shape->number($key) <= 0.0) {
                throw $shape->wrong($key, 'a number above zero is expected');
            }
        }

        return new self(
            'disc' === $kind,
            $shape->number('bore_mm'),
            $shape->number('stiffness_ml_per_kpa'),
            $shape->number('clearance_ml'),
            $shape->number('spring_kpa'),
            $shape->number('touch_kpa'),
            $shape->number('friction'),
            $shape->number('radius_m'),
            $shape->number('spring_n'),
            $shape->number('base_drag_nm'),
            $shape->number('driveline_nm'),
            $shape->flag('parking_brake'),
            $shape->flag('piston_goes_back_straight', true),
            $shape->flag('electric_parking'),
            (int) $shape->number('bleeders', 1.0),
            $shape->has('fluid_ml') ? $shape->number('fluid_ml') : null,
        );
    }

    /** A = π d² / 4 in cm², d in mm. */
    public function areaCm2(): float
    {
        return \M_PI * $this->boreMm ** 2 / 400.0;
    }
}
