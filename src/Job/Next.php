<?php

declare(strict_types=1);

namespace App\Job;

/** The one thing to do next on a job: its words, where it is done, and a line about it. */
final readonly class Next
{
    /** @param array<string, string> $parameters */
    public function __construct(
        public NextAct $act,
        public string $title,
        public string $line,
        public string $route,
        public array $parameters,
    ) {
    }
}
