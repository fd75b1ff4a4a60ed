<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Job\JobState;
use Rodrel\Core\Vehicle\Layout;

/** A job with everything that follows from its log. */
final readonly class LoadedJob
{
    /** @param list<JobEntry> $log */
    public function __construct(public Job $job, public array $log, public Layout $layout, public JobState $state)
    {
    }

    /** The sequence number of the newest entry: what the Bench polls for. */
    public function head(): int
    {
        return $this->last()?->seq() ?? 0;
    }

    public function id(): string
    {
        return $this->job->id()->toRfc4122();
    }

    public function last(): ?JobEntry
    {
        return [] === $this->log ? null : $this->log[\count($this->log) - 1];
    }
}
