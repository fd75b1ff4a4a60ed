<?php

declare(strict_types=1);

namespace App\Job;

/** The intake of a new job. */
final readonly class NewJobPage
{
    /**
     * @param array<string, mixed> $form
     * @param array{
     *     whats: list<string>, wheres: array<string, list<string>>, timings: list<string>,
     *     patterns: list<string>, parts: list<string>, places: list<string>
     * } $choices
     */
    public function __construct(
        public array $form,
        public ?string $error,
        public array $choices,
    ) {
    }
}
