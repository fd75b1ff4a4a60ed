<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** What the fluid pushes at one wheel: caliper or wheel cylinder. */
final readonly class Cylinder
{
    /**
     * @param float $stiffnessMlPerKpa what it takes more per kPa once the lining is on
     * @param float $clearanceMl what it takes until the lining is on
     * @param float $springKpa p_0: a drum's shoes stay home below it
     * @param float $touchKpa how softly the lining comes on
     * @param float|null $fluidMl what lies in it, where the vehicle's own figure is known
     */
    private function __construct(
        public float $boreMm,
        public float $stiffnessMlPerKpa,
        public float $clearanceMl,
        public float $springKpa,
        public float $touchKpa,
        public int $bleeders,
        public ?float $fluidMl,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->positive('bore_mm'),
            $shape->positive('stiffness_ml_per_kpa'),
            $shape->notNegative('clearance_ml'),
            $shape->notNegative('spring_kpa'),
            $shape->positive('touch_kpa'),
            (int) $shape->positive('bleeders', 1.0),
            $shape->optionalNumber('fluid_ml'),
        );
    }

    /** A = π d² / 4 in cm², d in mm. */
    public function areaCm2(): float
    {
        return \M_PI * $this->boreMm ** 2 / 400.0;
    }
}
