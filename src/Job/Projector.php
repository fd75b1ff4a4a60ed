<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\Console\ConsoleEvents;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Brings the list's line of a job up to date with its log, once the log is written: after the commit, before the
 * answer goes out, so that the author sees his own entry. Where that fails the entry stands all the same, and the
 * worker does it. Gates never read a line; they read the log under its lock.
 */
final class Projector
{
    /** A log of more entries than this is read by the worker, nobody waits for it. */
    private const LONG = 1000;

    /** @var array<string, LoadedJob|null> by job; null where it is to be read again */
    private array $waiting = [];

    public function __construct(
        private readonly ProjectJobLine $project,
        private readonly ReadJob $readJob,
        private readonly EntityManagerInterface $entities,
        private readonly MessageBusInterface $bus,
        private readonly LoggerInterface $logger,
    ) {
    }

    /** Asked for by whoever wrote to a log; the last of several writings to one job counts. */
    public function wants(LoadedJob $loaded): void
    {
        $this->waiting[$loaded->id()] = $loaded;
    }

    /** Whoever wrote the line himself says so. */
    public function forget(string $id): void
    {
        unset($this->waiting[$id]);
    }

    /**
     * Asked for by what changes lines without an entry: predictions that arrived, settings, rules. The worker does it.
     *
     * @param string $preset only jobs of this kind of vehicle; '' for all that are not handed over yet
     */
    public function openOnes(string $preset = ''): void
    {
        $open = $this->entities->getConnection()->fetchFirstColumn(
            "SELECT job_id FROM job_line WHERE stage <> 'done' AND :preset IN ('', preset) ORDER BY touched_at DESC",
            ['preset' => $preset],
        );
        foreach ($open as $id) {
            $this->later((string) $id);
        }
    }

    /** Lines that other code, rules or texts made: open ones first. The worker makes them again. */
    public function outdated(): void
    {
        $old = $this->entities->getConnection()->fetchFirstColumn(
            "SELECT job_id FROM job_line WHERE made_by <> :made ORDER BY stage = 'done', touched_at DESC",
            ['made' => $this->project->maker->hash()],
        );
        foreach ($old as $id) {
            $this->later((string) $id);
        }
    }

    /** Jobs that were judged without all pairs: some have arrived. The worker does it. */
    public function provisional(): void
    {
        $judged = $this->entities->getConnection()->fetchFirstColumn(
            "SELECT job_id FROM judgement WHERE missing <> '[]'",
        );
        foreach ($judged as $id) {
            $this->later((string) $id);
        }
    }

    private function later(string $id): void
    {
        $this->bus->dispatch(new ProjectJob($id));
    }

    #[AsEventListener(event: KernelEvents::RESPONSE, priority: 100)]
    #[AsEventListener(event: ConsoleEvents::TERMINATE)]
    public function now(): void
    {
        $waiting = $this->waiting;
        $this->waiting = [];
        foreach ($waiting as $id => $loaded) {
            if (\count($loaded->log ?? []) > self::LONG) {
                $this->later($id);
                continue;
            }
            try {
                $this->project($id, $loaded);
            } catch (\Throwable $trouble) {
                $this->logger->error('the line of a job could not be written', ['exception' => $trouble, 'job' => $id]);
                $this->later($id);
            }
        }
    }

    /** Under a lock of the line: of two who write at once the one that knows more of the log is kept. */
    public function project(string $id, ?LoadedJob $loaded = null): void
    {
        $this->entities->wrapInTransaction(function () use ($id, $loaded): void {
            $database = $this->entities->getConnection();
            $database->fetchOne('SELECT head FROM job_line WHERE job_id = ? FOR UPDATE', [$id]);
            $head = $database->fetchOne('SELECT max(seq) FROM job_entry WHERE job_id = ?', [$id]);
            if (null === $loaded || $loaded->head() !== $head) {
                $job = $this->entities->find(Job::class, Uuid::fromString($id));
                $loaded = null === $job ? null : ($this->readJob)($job);
            }
            if (null !== $loaded) {
                ($this->project)($loaded);
            }
        });
    }
}
