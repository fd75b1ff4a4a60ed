<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
use Rodrel\Core\Job\Stage;

/** @extends ServiceEntityRepository<Job> */
final class JobRepository extends ServiceEntityRepository
{
    public function __construct(ManagerRegistry $registry)
    {
        parent::__construct($registry, Job::class);
    }

    /** @return list<Job> the other jobs of its vehicle that are not done, the newest first */
    public function beside(Job $job): array
    {
        /** @var list<Job> $jobs */
        $jobs = $this->createQueryBuilder('j')
            ->join(JobLine::class, 'l', 'WITH', 'l.jobId = j.id')
            ->andWhere('j.vehicleId = :vehicle AND j.id <> :job AND l.stage <> :done')
            ->setParameter('vehicle', $job->vehicleId(), 'uuid')
            ->setParameter('job', $job->id(), 'uuid')
            ->setParameter('done', Stage::Done)
            ->orderBy('j.openedAt', 'DESC')
            ->getQuery()
            ->getResult();

        return $jobs;
    }
}
