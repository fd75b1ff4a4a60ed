<?php

declare(strict_types=1);

namespace App\Bleed;

/** Nothing to bleed yet. */
final readonly class BleedWaitingPage
{
    public function __construct(
        public bool $nothing,
    ) {
    }
}
