<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** What an hour and a litre cost the shop's customer, in minor units. */
final readonly class Labour
{
    private function __construct(public float $rateCentsPerMinute, public float $fluidCentsPerMl)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->number('rate_cents_per_hour') / 60.0,
            $shape->number('fluid_cents_per_litre') / 1000.0,
        );
    }
}
