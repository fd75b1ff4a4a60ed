<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\Role;
use App\Account\User;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Log\UndoRule;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** The only door into a job's log: locks the job, asks the rule, and appends; the list's line follows. */
final readonly class AppendEntry
{
    public function __construct(
        private EntityManagerInterface $entities,
        private ReadJob $readJob,
        private Projector $projector,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    /**
     * A repeated id with the same content changes nothing and gives the same answer.
     *
     * @param Payload|\Closure(LoadedJob): Payload $says made from the job as it stands, where it depends on that
     *
     * @throws EntryConflict when the id was used for something else
     * @throws Refused when a gate is closed
     * @throws InvalidData when the payload is malformed
     */
    public function __invoke(
        Job $job,
        User $author,
        Uuid $id,
        Payload|\Closure $says,
        ?\DateTimeImmutable $takenAt = null,
    ): JobEntry {
        return $this->entities->wrapInTransaction(function () use ($job, $author, $id, $says, $takenAt): JobEntry {
            $this->entities->lock($job, LockMode::PESSIMISTIC_WRITE);
            $stored = $this->entities->find(JobEntry::class, $id);
            $loaded = null === $stored || $says instanceof \Closure ? ($this->readJob)($job) : null;
            $payload = $says instanceof \Closure ? $says($loaded ?? ($this->readJob)($job)) : $says;
            if (null !== $stored) {
                $same = $stored->belongsTo($job->id()) && $stored->says($payload);

                return $same ? $stored : throw new EntryConflict($stored, $payload->write());
            }
            $loaded ??= ($this->readJob)($job);
            $entry = $this->write($loaded, $author, $id, $payload, $takenAt);
            $this->entities->flush();
            $this->projector->wants($this->readJob->after($loaded, $entry));

            return $entry;
        });
    }

    /**
     * Many at once, in their order, under one lock: the first that is refused stops those after it, what came before it
     * stands.
     *
     * @param list<array{Uuid, Payload, \DateTimeImmutable|null}> $many with when it was made, where that was before
     *
     * @return array{int, Refused|InvalidData|EntryConflict|null} how many were taken, and what stopped it
     */
    public function several(
        Job $job,
        User $author,
        array $many,
    ): array {
        return $this->entities->wrapInTransaction(function () use ($job, $author, $many): array {
            $this->entities->lock($job, LockMode::PESSIMISTIC_WRITE);
            $loaded = ($this->readJob)($job);
            $stopped = null;
            $taken = 0;
            foreach ($many as [$id, $payload, $takenAt]) {
                try {
                    $stored = $this->entities->find(JobEntry::class, $id);
                    if (null === $stored) {
                        $entry = $this->write($loaded, $author, $id, $payload, $takenAt);
                        $loaded = $this->readJob->after($loaded, $entry);
                    } elseif (!$stored->belongsTo($job->id()) || !$stored->says($payload)) {
                        throw new EntryConflict($stored, $payload->write());
                    }
                    ++$taken;
                } catch (Refused|InvalidData|EntryConflict $stop) {
                    $stopped = $stop;
                    break;
                }
            }
            $this->entities->flush();
            $this->projector->wants($loaded);

            return [$taken, $stopped];
        });
    }

    /**
     * @throws Refused when a gate is closed
     * @throws InvalidData when the payload is malformed
     */
    private function write(
        LoadedJob $loaded,
        User $author,
        Uuid $id,
        Payload $payload,
        ?\DateTimeImmutable $takenAt,
    ): JobEntry {
        $now = $this->clock->now();
        $taken = null !== $takenAt && $takenAt < $now ? $takenAt : $now;
        $seq = $loaded->head() + 1;
        if ($payload instanceof UndoPayload) {
            $isLead = Role::Technician !== $author->role();
            UndoRule::check($loaded->state->story, $payload, $author->id()->toRfc4122(), $isLead);
        }
        Rule::check($loaded->state, new Entry($id->toRfc4122(), $seq, $payload, $author->id()->toRfc4122(), $taken));
        $epoch = $loaded->state->story->now()->number + (int) ($payload instanceof RepairedPayload);
        $entry = JobEntry::written(
            $id,
            new LogPlace($loaded->job->id(), $seq, $epoch),
            $payload,
            new Stamp($author->id(), $taken, $now, $this->catalogue->hash),
        );
        $this->entities->persist($entry);

        return $entry;
    }
}
