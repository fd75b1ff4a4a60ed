<?php

declare(strict_types=1);

namespace App\Text;

/** A share as people read it: never rounded up to certainty or down to nothing. */
final readonly class Percent
{
    public static function of(float $share): string
    {
        return match (true) {
            $share > 0.0 && $share < 0.005 => '<1%',
            $share < 1.0 && $share > 0.995 => '>99%',
            default => round(100.0 * $share).'%',
        };
    }
}
