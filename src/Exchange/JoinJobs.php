<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\User;
use App\Account\UserRepository;
use App\Input\InvalidInput;
use App\Job\AppendEntry;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\LoadedJob;
use App\Job\LogPlace;
use App\Job\Stamp;
use App\Job\StoredClaim;
use App\Photo\Photos;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\CoreException;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Symfony\Component\Uid\Uuid;

/**
 * Two jobs opened for one vehicle become one: what was read, noted and photographed in the first goes over to the
 * second under the names and times it has, and the first is closed. The first keeps its log.
 */
final readonly class JoinJobs
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private AppendEntry $append,
        private Photos $photos,
        private UserRepository $users,
    ) {
    }

    /**
     * Sent twice it is done once: what goes over has numbers that follow from its own.
     *
     * @param Uuid $id of the entry that closes the first
     *
     * @throws InvalidInput when they are not two open jobs of one vehicle
     * @throws Refused when the first is under repair, or something of it is apart
     */
    public function __invoke(Job $from, Job $into, User $by, Uuid $id, string $reason): void
    {
        $this->entities->wrapInTransaction(function () use ($from, $into, $by, $id, $reason): void {
            foreach ($this->inOrder($from, $into) as $job) {
                $this->entities->lock($job, LockMode::PESSIMISTIC_WRITE);
            }
            if (null !== $this->entities->find(JobEntry::class, $id)) {
                return;
            }
            $read = ($this->journal->readJob)($from);
            $target = ($this->journal->readJob)($into);
            $done = \in_array(Stage::Done, [$read->state->stage, $target->state->stage], true);
            if ($done || $from->id()->equals($into->id()) || !$from->vehicleId()->equals($into->vehicleId())) {
                throw InvalidInput::because('input.join');
            }
            $story = $read->state->story;
            foreach ([...$story->now()->entriesOf(ReadingPayload::class), ...$story->openItems()] as $entry) {
                $target = $this->over($target, $into, $entry, $by, $read);
            }
            $this->journal->projector->wants($target);
            $this->photos($from, $into, $by);
            ($this->append)($from, $by, $id, new ClosedPayload('twice', $reason));
        });
    }

    /**
     * Always in the same order, so that two who join the other way round do not wait for each other.
     *
     * @return list<Job>
     */
    private function inOrder(Job $one, Job $other): array
    {
        return $one->id()->toRfc4122() < $other->id()->toRfc4122() ? [$one, $other] : [$other, $one];
    }

    /** @param Entry<Payload> $entry */
    private function over(LoadedJob $target, Job $into, Entry $entry, User $by, LoadedJob $from): LoadedJob
    {
        $now = $this->journal->clock->now();
        $name = $entry->claim->author ?? ($this->users->names()[$entry->author] ?? '');
        $at = $entry->takenAt->setTimezone(new \DateTimeZone('UTC'))->format(JobDocument::TIME);
        $claim = new StoredClaim($entry->author, $name, $at, $at, 0, $this->journal->catalogue->hash, []);
        $write = fn (StoredClaim $claim): JobEntry => JobEntry::broughtIn(
            Uuid::v5($into->id(), $entry->id),
            new LogPlace($into->id(), $target->head() + 1, $target->state->story->now()->number),
            $entry->payload::kind(),
            $entry->payload->write(),
            new Stamp($by->id(), min($entry->takenAt, $now), $now, $this->journal->catalogue->hash),
            $claim,
        );
        $doubts = [];
        try {
            Rule::check($target->state, $write($claim)->toCore());
        } catch (Refused $refused) {
            $doubts = $refused->reasons;
        } catch (CoreException) {
            $doubts = ['unknown-here'];
        }
        $this->entities->persist($stored = $write($claim->withDoubts($doubts)));
        $this->entities->flush();

        return $this->journal->readJob->after($target, $stored);
    }

    private function photos(Job $from, Job $into, User $by): void
    {
        foreach ($this->photos->of($from->id()) as $photo) {
            $this->photos->keep(
                Uuid::v5($into->id(), $photo['id']),
                $into->id(),
                $photo['about'],
                $by->id(),
                new \DateTimeImmutable($photo['taken_at']),
                [
                    'jpeg' => (string) $this->photos->jpeg(Uuid::fromString($photo['id'])),
                    'width' => $photo['width'],
                    'height' => $photo['height'],
                ],
                [
                    'author' => $photo['author'],
                    'name' => $photo['name'] ?? $this->users->names()[$photo['author']] ?? '',
                ],
            );
        }
    }
}
