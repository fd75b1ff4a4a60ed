<?php

declare(strict_types=1);

namespace App\Job;

use App\Vehicle\Vehicle;

/** The intake of a new job. */
final readonly class NewJobPage
{
    /**
     * @param array<string, mixed> $form
     * @param array{
     *     whats: list<string>, wheres: array<string, list<string>>, timings: list<string>,
     *     patterns: list<string>, parts: list<string>, places: list<string>
     * } $choices
     * @param list<Vehicle> $known vehicles of the shop, the latest first
     */
    public function __construct(
        public array $form,
        public ?string $error,
        public array $choices,
        public array $known,
    ) {
    }
}
