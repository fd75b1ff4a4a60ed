<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** What a repair typically takes, until the shop types its own: parts in minor units, minutes, mL of fluid. */
final readonly class Price
{
    private function __construct(public float $partsCents, public float $minutes, public float $fluidMl)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->notNegative('parts_cents'),
            $shape->positive('minutes'),
            $shape->notNegative('fluid_ml', 0.0),
        );
    }
}
