<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** The lever under the foot: its ratio, and the free play of the push-rod in mm. */
final readonly class Pedal
{
    private function __construct(public float $ratio, public float $freeMm)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->positive('ratio'), $shape->notNegative('free_mm'));
    }
}
