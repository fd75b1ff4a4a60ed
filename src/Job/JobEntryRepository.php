<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Story;
use Symfony\Component\Uid\Uuid;

/** @extends ServiceEntityRepository<JobEntry> */
final class JobEntryRepository extends ServiceEntityRepository
{
    public function __construct(ManagerRegistry $registry)
    {
        parent::__construct($registry, JobEntry::class);
    }

    /** @return list<JobEntry> by seq */
    public function logOf(Uuid $jobId): array
    {
        return $this->findBy(['jobId' => $jobId], ['seq' => 'ASC']);
    }

    /** What a job's log tells, as far as it can be read; without what follows from it. */
    public function storyOf(Uuid $jobId): Story
    {
        $read = array_map(static fn (JobEntry $entry): ?Entry => $entry->readable(), $this->logOf($jobId));

        return Story::of(array_values(array_filter($read)));
    }
}
