<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
use Rodrel\Core\Job\Stage;
use Symfony\Component\Uid\Uuid;

/** @extends ServiceEntityRepository<JobLine> */
final class JobLineRepository extends ServiceEntityRepository
{
    public const PER_PAGE = 100;

    public function __construct(ManagerRegistry $registry)
    {
        parent::__construct($registry, JobLine::class);
    }

    /**
     * @param string $filter shed, mine or done
     *
     * @return list<JobLine> the one touched last first
     */
    public function listed(string $filter, string $search, Uuid $me, int $page = 1): array
    {
        $query = $this->createQueryBuilder('l')
            ->orderBy('l.touchedAt', 'DESC')
            ->addOrderBy('l.jobId')
            ->setFirstResult(self::PER_PAGE * ($page - 1))
            ->setMaxResults(self::PER_PAGE);
        $query
            ->andWhere('done' === $filter ? 'l.stage = :done' : 'l.stage <> :done')
            ->setParameter('done', Stage::Done);
        if ('mine' === $filter) {
            $query->andWhere('l.who = :me')->setParameter('me', $me, 'uuid');
        }
        foreach (preg_split('/\s+/', mb_strtolower(trim($search)), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $i => $word) {
            $query
                ->andWhere('l.search LIKE :word'.$i)
                ->setParameter('word'.$i, '%'.addcslashes($word, '%_\\').'%');
        }

        /** @var list<JobLine> $lines */
        $lines = $query->getQuery()->getResult();

        return $lines;
    }

    /** @return list<Uuid> jobs that were handed over, the last one first; what was only practised does not count */
    public function finished(int $most): array
    {
        /** @var list<JobLine> $lines */
        $lines = $this->createQueryBuilder('l')
            ->andWhere('l.stage = :done')
            ->setParameter('done', Stage::Done)
            ->andWhere('l.unit NOT LIKE :practice')
            ->setParameter('practice', Job::PRACTICE.' %')
            ->orderBy('l.touchedAt', 'DESC')
            ->setMaxResults($most)
            ->getQuery()
            ->getResult();

        return array_map(static fn (JobLine $line): Uuid => $line->jobId(), $lines);
    }

    /** @return list<JobLine> those with open items, the one touched last first */
    public function withOpenItems(int $most): array
    {
        /** @var list<JobLine> $lines */
        $lines = $this->createQueryBuilder('l')
            ->andWhere('l.openItems > 0')
            ->orderBy('l.touchedAt', 'DESC')
            ->setMaxResults($most)
            ->getQuery()
            ->getResult();

        return $lines;
    }

    /** @return array{shed: int, mine: int, done: int, unsafe: int} */
    public function counts(Uuid $me): array
    {
        /** @var array{shed: int, mine: int, done: int, unsafe: int} $row */
        $row = $this->getEntityManager()
            ->getConnection()
            ->fetchAssociative(
                "SELECT count(*) FILTER (WHERE stage <> 'done') AS shed,
                    count(*) FILTER (WHERE stage <> 'done' AND who = :me) AS mine,
                    count(*) FILTER (WHERE stage = 'done') AS done,
                    count(*) FILTER (WHERE stage <> 'done' AND road = 'closed') AS unsafe FROM job_line",
                ['me' => $me->toRfc4122()],
            );

        return $row;
    }
}
