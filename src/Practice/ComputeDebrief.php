<?php

declare(strict_types=1);

namespace App\Practice;

/** Asks the worker for the debrief of a practice job that is ended. */
final readonly class ComputeDebrief
{
    public function __construct(public string $job)
    {
    }
}
