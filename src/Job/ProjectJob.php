<?php

declare(strict_types=1);

namespace App\Job;

/** Order to the worker: bring this job's line up to date. */
final readonly class ProjectJob
{
    public function __construct(public string $id)
    {
    }
}
