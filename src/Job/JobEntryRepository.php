<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
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
}
