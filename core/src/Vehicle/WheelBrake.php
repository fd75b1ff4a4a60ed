<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** One wheel's brake as fitted: hydraulics, friction pair, parking brake. */
final readonly class WheelBrake
{
    private const DRUM_FLUID_ML = 5.0;           // a wheel cylinder (estimate; 3 to 8)
    private const FRONT_CALIPER_FLUID_ML = 35.0; // handbook: 25 to 45
    private const REAR_CALIPER_FLUID_ML = 16.0;  // handbook: 12 to 20

    private function __construct(
        public bool $disc,
        public bool $front,
        public Cylinder $cylinder,
        public Lining $lining,
        public ParkingBrake $parking,
    ) {
    }

    public static function fromShape(Shape $shape, bool $front): self
    {
        return new self(
            'disc' === $shape->choice('brake', ['disc', 'drum']),
            $front,
            Cylinder::fromShape($shape),
            Lining::fromShape($shape),
            ParkingBrake::fromShape($shape),
        );
    }

    /** What lies in the brake, mL: the vehicle's own figure, else what is typical. */
    public function fluidMl(): float
    {
        $caliper = $this->front ? self::FRONT_CALIPER_FLUID_ML : self::REAR_CALIPER_FLUID_ML;

        return $this->cylinder->fluidMl ?? ($this->disc ? $caliper : self::DRUM_FLUID_ML);
    }

    /**
     * One bleeder, or an inner and an outer one.
     *
     * @return non-empty-list<string>
     */
    public function bleeders(): array
    {
        return $this->cylinder->bleeders > 1 ? ['inner', 'outer'] : [''];
    }
}
