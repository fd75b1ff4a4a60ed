<?php

declare(strict_types=1);

namespace App\Desk;

use App\Job\JobLine;
use App\Job\Listing;

/** The list of jobs. */
final readonly class JobsPage
{
    /**
     * @param list<JobLine> $lines
     * @param list<array{
     *     corners: list<array{x: int, y: int, hot: bool, drum: bool}>,
     *     paths: list<array{d: string, second: bool}>, master: bool
     * }> $thumbnails
     * @param list<array{complaint: string, next: string}> $said of each line
     * @param array<string, string> $names
     * @param array{shed: int, mine: int, done: int, unsafe: int, practice: int, due: int} $counts
     * @param list<string> $waits what a job may wait for
     * @param list<string> $sorts
     */
    public function __construct(
        public array $lines,
        public array $thumbnails,
        public array $said,
        public array $names,
        public string $filter,
        public string $search,
        public Listing $asked,
        public array $waits,
        public array $sorts,
        public int $page,
        public bool $more,
        public array $counts,
    ) {
    }
}
