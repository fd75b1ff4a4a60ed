<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/**
 * Holds the rear back: passes pressure to its knee in kPa, then knee + slope·(p − knee), and lets go freely. A rear
 * pressure valve, or what the anti-lock unit does in its place.
 */
final readonly class RearValve
{
    /** @param bool $followsLoad a link moves its knee with the load */
    private function __construct(public float $kneeKpa, public float $slope, public bool $followsLoad)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->positive('knee_kpa'), $shape->share('slope'), $shape->flag('follows_load'));
    }
}
