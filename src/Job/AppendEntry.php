<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Guard;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Job\Refused;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** The only door into a job's log: locks the job, asks the guard, appends, and writes the list's line with it. */
final readonly class AppendEntry
{
    private Guard $guard;

    public function __construct(
        private EntityManagerInterface $entities,
        private ReadJob $readJob,
        private ProjectJobLine $project,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
        $this->guard = new Guard($catalogue);
    }

    /**
     * A repeated id with the same content changes nothing and gives the same answer.
     *
     * @param array<string, mixed> $payload
     *
     * @throws EntryConflict when the id was used for something else
     * @throws Refused       when a gate is closed
     * @throws InvalidData   when the payload is malformed
     */
    public function __invoke(Job $job, User $author, Uuid $id, Kind $kind, array $payload, ?\DateTimeImmutable $takenAt = null): JobEntry
    {
        return $this->entities->wrapInTransaction(function () use ($job, $author, $id, $kind, $payload, $takenAt): JobEntry {
            $this->entities->lock($job, LockMode::PESSIMISTIC_WRITE);
            $stored = $this->entities->find(JobEntry::class, $id);
            if (null !== $stored) {
                return $stored->belongsTo($job->id()) && $stored->says($kind, $payload) ? $stored : throw new EntryConflict($stored, $payload);
            }
            $loaded = ($this->readJob)($job);
            $now = $this->clock->now();
            $taken = null !== $takenAt && $takenAt < $now ? $takenAt : $now;
            $seq = $loaded->head() + 1;
            $this->guard->check($loaded->state, new Entry($id->toRfc4122(), $seq, $kind, $payload, $author->id()->toRfc4122(), $taken));
            $epoch = $loaded->state->story->now()->number + (Kind::Repaired === $kind ? 1 : 0);
            $entry = new JobEntry($id, $job->id(), $seq, $epoch, $kind, $payload, $author->id(), $taken, $now, $this->catalogue->hash);
            $this->entities->persist($entry);
            $this->entities->flush();
            ($this->project)(($this->readJob)($job));

            return $entry;
        });
    }
}
