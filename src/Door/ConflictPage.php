<?php

declare(strict_types=1);

namespace App\Door;

use App\Job\Job;

/** Two different entries under one id: what was recorded, and what was sent after it. */
final readonly class ConflictPage
{
    /**
     * @param array{string, string} $said in words, the recorded one first
     * @param array<string, mixed> $form
     */
    public function __construct(
        public Job $job,
        public string $stored,
        public string $who,
        public \DateTimeImmutable $when,
        public array $said,
        public array $form,
    ) {
    }
}
