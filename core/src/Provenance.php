<?php

declare(strict_types=1);

namespace Rodrel\Core;

/** Where a number comes from: a law, general trade knowledge, or an estimate with its reason and plausible range. */
enum Provenance: string
{
    case Law = 'law';
    case Handbook = 'handbook';
    case Estimate = 'estimate';

    private const LEAST_REASON = 15;

    /** Reads `provenance` and `reason` of a row; an estimate without a reason is a mistake. */
    public static function fromShape(Shape $shape): self
    {
        $source = $shape->oneOf('provenance', self::class);
        if (self::Estimate === $source && \strlen($shape->text('reason', '')) < self::LEAST_REASON) {
            $shape->miss('reason', 'an estimate gives its reason and a plausible range');
        }
        $shape->optionalText('reason');

        return $source;
    }
}
