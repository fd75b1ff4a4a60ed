<?php

declare(strict_types=1);

namespace App\Practice;

/** The worker still goes through it. */
final readonly class DebriefWaits
{
    public function __construct(public string $vehicle)
    {
    }
}
