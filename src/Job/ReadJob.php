<?php

declare(strict_types=1);

namespace App\Job;

use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Story;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vehicle\Layout;

/** Loads a job and computes where it stands. */
final readonly class ReadJob
{
    public function __construct(
        private JobEntryRepository $entries,
        private Catalogue $catalogue,
        private Predictions $predictions,
        private ShopSettings $shop,
    ) {
    }

    public function __invoke(Job $job): LoadedJob
    {
        $log = $this->entries->logOf($job->id());
        $story = Story::of(array_map(static fn (JobEntry $entry): Entry => $entry->toCore(), $log));
        $document = Composer::withFigures($this->catalogue->vehicle($job->preset(), $job->parts()), $story->figures());
        $layout = Layout::fromArray($document);
        $signature = $this->predictions->ready($layout, $document);
        $field = null === $signature ? null : Field::of($this->catalogue, $layout, $signature);

        return new LoadedJob($job, $log, $layout, JobState::of($this->catalogue, $field, $story, $this->shop->isolation()));
    }
}
