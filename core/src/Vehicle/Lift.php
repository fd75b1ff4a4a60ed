<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

/** How far the vehicle must be taken apart for a check; each state allows what the ones before it allow, and more. */
enum Lift: string
{
    case Any = 'any';
    case Ground = 'ground';
    case Raised = 'raised';
    case WheelsOff = 'wheels-off';

    /** Whether the vehicle stands at least so high. */
    public function reaches(self $wanted): bool
    {
        return self::Any === $wanted || $this->level() >= $wanted->level();
    }

    public function level(): int
    {
        return match ($this) {
            self::Any => 0,
            self::Ground => 0,
            self::Raised => 1,
            self::WheelsOff => 2,
        };
    }
}
