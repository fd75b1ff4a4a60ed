<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
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
        $job = $this->entities->find(Job::class, $jobId);
        if (null === $job) {
            $vehicle = $this->vehicles->of($kind, $at ?? $this->clock->now());
            $job = Job::open($jobId, $vehicle, $at ?? $this->clock->now());
            $this->entities->persist($job);
            $this->entities->flush();
        }
        ($this->append)($job, $author, $entryId, $intake, $at);

        return $job;
    }
}
