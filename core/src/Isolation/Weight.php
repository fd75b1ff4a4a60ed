<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Words for a likelihood ratio: 20 strong, 5 clear, 2 slight, else neutral; below 1 the same against. */
enum Weight: string
{
    case StrongFor = 'strong-for';
    case ClearFor = 'clear-for';
    case SlightFor = 'slight-for';
    case Neutral = 'neutral';
    case SlightAgainst = 'slight-against';
    case ClearAgainst = 'clear-against';
    case StrongAgainst = 'strong-against';

    public static function ofRatio(float $ratio): self
    {
        return match (true) {
            $ratio >= 20.0 => self::StrongFor,
            $ratio >= 5.0 => self::ClearFor,
            $ratio >= 2.0 => self::SlightFor,
            $ratio > 1.0 / 2.0 => self::Neutral,
            $ratio > 1.0 / 5.0 => self::SlightAgainst,
            $ratio > 1.0 / 20.0 => self::ClearAgainst,
            default => self::StrongAgainst,
        };
    }

    public function speaksFor(): bool
    {
        return match ($this) {
            self::StrongFor, self::ClearFor, self::SlightFor => true,
            self::Neutral, self::SlightAgainst, self::ClearAgainst, self::StrongAgainst => false,
        };
    }
}
