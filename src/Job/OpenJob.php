<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use App\Input\InvalidInput;
use App\Vehicle\VehicleKind;
use App\Vehicle\VehicleRepository;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Payload\IntakePayload;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Opens a job with what the driver said. Sent twice, it opens one. */
final readonly class OpenJob
{
    public function __construct(
        private EntityManagerInterface $entities,
        private VehicleRepository $vehicles,
        private AppendEntry $append,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @throws InvalidData when there is no such preset
     * @throws InvalidInput when the job is open already and began with another entry
     */
    public function __invoke(
        User $author,
        Uuid $jobId,
        Uuid $entryId,
        VehicleKind $kind,
        IntakePayload $intake,
        ?\DateTimeImmutable $at = null,
    ): Job {
        $this->catalogue->vehicle($kind->preset, $kind->parts);

        return $this->entities->wrapInTransaction(
            function () use ($author, $jobId, $entryId, $kind, $intake, $at): Job {
                // of six clicks at once the first opens it and the others find it
                $this->entities->getConnection()->executeQuery('SELECT pg_advisory_xact_lock(hashtext(?))', [
                    $jobId->toRfc4122(),
                ]);
                $job = $this->entities->find(Job::class, $jobId);
                $entry = $this->entities->find(JobEntry::class, $entryId);
                if (null === $job ? null !== $entry : true !== $entry?->belongsTo($jobId)) {
                    throw InvalidInput::because('input.job-taken');
                }
                if (null === $job) {
                    $vehicle = $this->vehicles->of($kind, $at ?? $this->clock->now());
                    $job = Job::open($jobId, $vehicle, $at ?? $this->clock->now());
                    $this->entities->persist($job);
                    $this->entities->flush();
                }
                ($this->append)($job, $author, $entryId, $intake, $at);

                return $job;
            },
        );
    }
}
