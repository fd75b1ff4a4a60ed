<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** The clock of the application; a fixed moment (RODREL_CLOCK) makes pictures repeatable. */
final readonly class ClockFactory
{
    public static function create(string $fixed): ClockInterface
    {
        return '' === $fixed ? new NativeClock('UTC') : new MockClock($fixed, 'UTC');
    }
}
