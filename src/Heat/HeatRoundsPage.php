<?php

declare(strict_types=1);

namespace App\Heat;

/** Every round of wheel temperatures of a job. */
final readonly class HeatRoundsPage
{
    /**
     * @param list<RoundView> $rounds
     * @param list<array{id: string, name: string}> $drives
     */
    public function __construct(
        public array $rounds,
        public array $drives,
    ) {
    }
}
