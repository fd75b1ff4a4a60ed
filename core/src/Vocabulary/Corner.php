<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** A wheel position seen from the driver's seat. */
enum Corner: string
{
    case LeftFront = 'lf';
    case RightFront = 'rf';
    case LeftRear = 'lr';
    case RightRear = 'rr';

    public function isFront(): bool
    {
        return self::LeftFront === $this || self::RightFront === $this;
    }

    public function isLeft(): bool
    {
        return self::LeftFront === $this || self::LeftRear === $this;
    }

    /** The wheel at the other side of the same axle: the natural reference. */
    public function partner(): self
    {
        return match ($this) {
            self::LeftFront => self::RightFront,
            self::RightFront => self::LeftFront,
            self::LeftRear => self::RightRear,
            self::RightRear => self::LeftRear,
        };
    }
}
