<?php

declare(strict_types=1);

namespace App\Job;

use App\Prediction\Predictions;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vehicle\Layout;

/** Loads a job and says where it stands. */
final class ReadJob
{
    private int $loads = 0;

    public function __construct(
        private readonly JobEntryRepository $entries,
        private readonly Catalogue $catalogue,
        private readonly Predictions $predictions,
        private readonly Judge $judge,
        private readonly Practices $practices,
    ) {
    }

    public function __invoke(Job $job): LoadedJob
    {
        ++$this->loads;

        return $this->from($job, $this->entries->logOf($job->id()));
    }

    /** The same job with one more entry, without asking the database again. */
    public function after(LoadedJob $loaded, JobEntry $entry): LoadedJob
    {
        return $this->from($loaded->job, [...$loaded->log, $entry]);
    }

    /** How often a log was read from the database so far. */
    public function loads(): int
    {
        return $this->loads;
    }

    /** @param list<JobEntry> $log */
    public function from(Job $job, array $log): LoadedJob
    {
        // what cannot be read is shown as it is and moves nothing
        $read = array_map(static fn (JobEntry $entry): ?Entry => $entry->readable(), $log);
        $story = Story::of(array_values(array_filter($read)), $this->catalogue->checks->keeping());
        $typical = $this->catalogue->vehicle($job->preset(), $job->parts());
        $document = Composer::withOwnFigures($typical, $story->figures());
        $layout = Layout::fromArray($document);
        $sound = $this->predictions->sound($layout, $document);
        $state = JobState::of($this->catalogue, $layout, $sound, $story);

        $ownHead = $job->isPractice() && $this->practices->isOwnHead($job->id());

        return new LoadedJob($job, $log, $state, $this->judge, $ownHead);
    }
}
