<?php

declare(strict_types=1);

namespace App\Door;

use App\Account\User;
use App\Input\KeptFor;
use App\Job\AppendEntry;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\LoadedJob;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;

/**
 * Writes what a form sent, as of when it was made. What corrects an earlier entry takes that one back first; neither
 * happens without the other.
 */
final readonly class WriteSent
{
    public function __construct(
        private AppendEntry $append,
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
    ) {
    }

    /** @param Payload|\Closure(LoadedJob): Payload $says */
    public function __invoke(Job $job, Request $request, User $user, Uuid $id, Payload|\Closure $says): JobEntry
    {
        $corrects = $request->request->getString('corrects');
        $now = $this->clock->now();
        $madeAt = $says instanceof Payload ? KeptFor::madeAt($request, $now, $says) : null;

        return $this->entities->wrapInTransaction(function () use ($job, $user, $id, $says, $corrects, $madeAt) {
            // sent twice it is answered as the first: what it corrects is taken back once
            $this->entities->lock($job, LockMode::PESSIMISTIC_WRITE);
            if (Uuid::isValid($corrects) && null === $this->entities->find(JobEntry::class, $id)) {
                ($this->append)($job, $user, Uuid::v7(), new UndoPayload($corrects));
            }

            return ($this->append)($job, $user, $id, $says, $madeAt);
        });
    }
}
