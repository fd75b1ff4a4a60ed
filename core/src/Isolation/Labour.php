<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** What an hour and a litre cost the shop's customer, in minor units. */
final readonly class Labour
{
    /** Where the shop never said (estimate; plausible 5000 to 40000). */
    private const COMEBACK_CENTS = 12000.0;

    /** @param float $comebackCents what a wrong repair costs beside itself: booking, lift, a lost customer */
    private function __construct(
        public float $rateCentsPerMinute,
        public float $fluidCentsPerMl,
        public float $comebackCents,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->number('rate_cents_per_hour') / 60.0,
            $shape->number('fluid_cents_per_litre') / 1000.0,
            $shape->number('comeback_cents', self::COMEBACK_CENTS),
        );
    }
}
