<?php

declare(strict_types=1);

namespace App\Repair;

/** No repair yet. */
final readonly class RepairWaitingPage
{
    public function __construct(
        public bool $stale,
    ) {
    }
}
