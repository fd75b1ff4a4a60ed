<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Job\Kind;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Opens a job with what the driver said. Sent twice, it opens one. */
final readonly class OpenJob
{
    public function __construct(private EntityManagerInterface $entities, private AppendEntry $append, private Catalogue $catalogue, private ClockInterface $clock)
    {
    }

    /**
     * @param array<string, mixed> $intake payload of the intake entry
     * @param array<string, mixed> $parts  what the vehicle is composed from; then the preset is `composed`
     *
     * @throws InvalidData when there is no such preset
     */
    public function __invoke(User $author, Uuid $jobId, Uuid $entryId, string $unit, string $preset, array $intake, ?\DateTimeImmutable $at = null, array $parts = []): Job
    {
        $this->catalogue->vehicle($preset, $parts);
        $job = $this->entities->find(Job::class, $jobId);
        if (null === $job) {
            $job = Job::open($jobId, $unit, $preset, $at ?? $this->clock->now(), $parts);
            $this->entities->persist($job);
            $this->entities->flush();
        }
        ($this->append)($job, $author, $entryId, Kind::Intake, $intake, $at);

        return $job;
    }
}
