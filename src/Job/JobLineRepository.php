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
    private const PRACTISED = Job::PRACTICE.' %';

    public function __construct(ManagerRegistry $registry)
    {
        parent::__construct($registry, JobLine::class);
    }

    /**
     * What is only practised stands in its own list alone.
     *
     * @param \DateTimeImmutable $today what is due by then
     *
     * @return list<JobLine>
     */
    public function listed(Listing $asked, Uuid $me, \DateTimeImmutable $today): array
    {
        $filter = $asked->show;
        [$by, $way] = match ($asked->sort) {
            'oldest' => ['l.touchedAt', 'ASC'],
            'unit' => ['l.unit', 'ASC'],
            default => ['l.touchedAt', 'DESC'],
        };
        $query = $this->createQueryBuilder('l')
            ->orderBy($by, $way)
            ->addOrderBy('l.jobId')
            ->setFirstResult(self::PER_PAGE * ($asked->page - 1))
            ->setMaxResults(self::PER_PAGE);
        $query
            ->andWhere('practice' === $filter ? 'l.unit LIKE :practice' : 'l.unit NOT LIKE :practice')
            ->setParameter('practice', self::PRACTISED);
        if ('practice' !== $filter) {
            $query
                ->andWhere('done' === $filter ? 'l.stage = :done' : 'l.stage <> :done')
                ->setParameter('done', Stage::Done);
        }
        match ($asked->waits) {
            '' => null,
            'road' => $query->andWhere("l.road = 'closed'"),
            'items' => $query->andWhere('l.openItems > 0'),
            'due' => $query->andWhere('l.due <= :today')->setParameter('today', $today, 'date_immutable'),
            default => $query->andWhere('l.stage = :waits')->setParameter('waits', $asked->waits),
        };
        if (null !== $asked->who) {
            $query->andWhere('l.who = :who')->setParameter('who', $asked->who, 'uuid');
        }
        if ('mine' === $filter) {
            $query->andWhere('l.who = :me')->setParameter('me', $me, 'uuid');
        }
        $words = preg_split('/\s+/', mb_strtolower(trim($asked->search)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($words as $i => $word) {
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
            ->setParameter('practice', self::PRACTISED)
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
            ->andWhere('l.unit NOT LIKE :practice')
            ->setParameter('practice', self::PRACTISED)
            ->orderBy('l.touchedAt', 'DESC')
            ->setMaxResults($most)
            ->getQuery()
            ->getResult();

        return $lines;
    }

    /**
     * What is only practised counts apart.
     *
     * @return array{shed: int, mine: int, done: int, unsafe: int, practice: int, due: int}
     */
    public function counts(Uuid $me, \DateTimeImmutable $today): array
    {
        /** @var array{shed: int, mine: int, done: int, unsafe: int, practice: int, due: int} $row */
        $row = $this->getEntityManager()
            ->getConnection()
            ->fetchAssociative(
                "SELECT count(*) FILTER (WHERE real AND stage <> 'done') AS shed,
                    count(*) FILTER (WHERE real AND stage <> 'done' AND who = :me) AS mine,
                    count(*) FILTER (WHERE real AND stage = 'done') AS done,
                    count(*) FILTER (WHERE real AND stage <> 'done' AND road = 'closed') AS unsafe,
                    count(*) FILTER (WHERE NOT real) AS practice,
                    count(*) FILTER (WHERE real AND due <= :today) AS due
                    FROM (SELECT stage, who, road, due, unit NOT LIKE :practice AS real FROM job_line) AS line",
                ['me' => $me->toRfc4122(), 'practice' => self::PRACTISED, 'today' => $today->format('Y-m-d')],
            );

        return $row;
    }
}
