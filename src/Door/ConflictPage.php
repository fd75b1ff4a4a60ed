<?php

declare(strict_types=1);

namespace App\Door;

use App\Job\Job;
use App\Job\JobEntry;

/** Two different entries under one id. */
final readonly class ConflictPage
{
    /**
     * @param array<string, mixed> $sent
     * @param array<string, array<mixed>|bool|float|int|string> $form
     */
    public function __construct(
        public Job $job,
        public JobEntry $stored,
        public array $sent,
        public array $form,
    ) {
    }
}
