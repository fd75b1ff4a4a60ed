<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

/** A drum or rotor measured against its stamped limit, and a limit that cannot be is questioned. Lengths in mm. */
final readonly class WearLimit
{
    public const WITHIN = 'within';
    public const PAST = 'past-limit';
    /**
     * A new drum is at most about this much under its limit, a new rotor over it: a limit further away was misread
     * (estimate; 2 to 4).
     */
    private const DRUM_ALLOWS = 4.0;
    private const ROTOR_ALLOWS = 5.0;
    /** And nobody drives with a part this far past its limit: one of the two was misread. */
    private const PAST_BY = 6.0;

    private function __construct(public string $word, public float $leftMm, public bool $plausible)
    {
    }

    public static function ofDrum(float $measuredMm, float $limitMm): self
    {
        $left = $limitMm - $measuredMm;

        return new self(
            $left >= 0.0 ? self::WITHIN : self::PAST,
            $left,
            $left <= self::DRUM_ALLOWS && $left >= -self::PAST_BY,
        );
    }

    public static function ofRotor(float $measuredMm, float $limitMm): self
    {
        $left = $measuredMm - $limitMm;

        return new self(
            $left >= 0.0 ? self::WITHIN : self::PAST,
            $left,
            $left <= self::ROTOR_ALLOWS && $left >= -self::PAST_BY,
        );
    }
}
