<?php

declare(strict_types=1);

namespace App\History;

use App\Job\Job;
use App\Job\JobEntryRepository;
use App\Job\JobRepository;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Measurements;
use Rodrel\Core\Log\Story;
use Symfony\Component\Uid\Uuid;

/** All that the shop knows of one vehicle: its jobs with their stories, oldest first. */
final readonly class VehicleHistory
{
    public function __construct(
        private JobRepository $jobs,
        private JobEntryRepository $entries,
        private Catalogue $catalogue,
    ) {
    }

    /** @return list<array{job: Job, story: Story}> */
    public function of(Uuid $vehicle): array
    {
        $jobs = $this->jobs->findBy(['vehicleId' => $vehicle], ['openedAt' => 'ASC']);

        $stories = $this->entries->storiesOf(array_map(static fn (Job $job): Uuid => $job->id(), $jobs));

        return array_map(
            static fn (Job $job): array => ['job' => $job, 'story' => $stories[$job->id()->toRfc4122()]],
            $jobs,
        );
    }

    public function measurements(Uuid $vehicle): Measurements
    {
        return Measurements::of(array_column($this->of($vehicle), 'story'), $this->catalogue->checks);
    }
}
