<?php

declare(strict_types=1);

namespace App\Job;

/** What was not recorded, why, and what was sent. */
final readonly class RefusedPage
{
    /**
     * @param list<string> $sentences
     * @param array<string, mixed> $form
     */
    public function __construct(
        public Job $job,
        public array $sentences,
        public array $form,
        public string $back,
    ) {
    }
}
