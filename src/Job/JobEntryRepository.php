<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\Persistence\ManagerRegistry;
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

    /**
     * Which of these ids stand in any log, a thousand asked for at once.
     *
     * @param list<Uuid> $ids
     *
     * @return array<string, true>
     */
    public function known(array $ids): array
    {
        $known = [];
        foreach (array_chunk($ids, 1000) as $some) {
            $found = $this->getEntityManager()->getConnection()->fetchFirstColumn(
                'SELECT id::text FROM job_entry WHERE id IN (?)',
                [array_map(static fn (Uuid $id): string => $id->toRfc4122(), $some)],
                [ArrayParameterType::STRING],
            );
            foreach ($found as $id) {
                $known[(string) $id] = true;
            }
        }

        return $known;
    }

    /** What a job's log tells, as far as it can be read; without what follows from it. */
    public function storyOf(Uuid $jobId): Story
    {
        return $this->storiesOf([$jobId])[$jobId->toRfc4122()];
    }

    /**
     * The same of many jobs, in one query.
     *
     * @param list<Uuid> $jobs
     *
     * @return array<string, Story> by job, in their order
     */
    public function storiesOf(array $jobs): array
    {
        $read = array_fill_keys(array_map(static fn (Uuid $id): string => $id->toRfc4122(), $jobs), []);
        foreach ([] === $jobs ? [] : $this->findBy(['jobId' => $jobs], ['jobId' => 'ASC', 'seq' => 'ASC']) as $entry) {
            $core = $entry->readable();
            if (null !== $core) {
                $read[$entry->jobId()->toRfc4122()][] = $core;
            }
        }

        return array_map(Story::of(...), $read);
    }
}
