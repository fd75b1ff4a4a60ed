<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;

/**
 * Jobs that are only practised: which invented vehicle each is opened for, and whether without advice. The number is
 * the vehicle; nothing outside this table tells it, and no page does before the job is ended.
 */
final readonly class Practices
{
    public function __construct(private Connection $database)
    {
    }

    /** The same job again changes nothing. */
    public function keep(Uuid $job, int $seed, bool $ownHead): void
    {
        $this->database->executeStatement(
            'INSERT INTO practice (job_id, seed, own_head) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
            [$job->toRfc4122(), $seed, $ownHead ? 'true' : 'false'],
        );
    }

    /** Null for a job that is no practice. */
    public function seed(Uuid $job): ?int
    {
        $seed = $this->database->fetchOne('SELECT seed FROM practice WHERE job_id = ?', [$job->toRfc4122()]);

        return is_numeric($seed) ? (int) $seed : null;
    }

    /** Without advice. */
    public function isOwnHead(Uuid $job): bool
    {
        $own = $this->database->fetchOne('SELECT own_head FROM practice WHERE job_id = ?', [$job->toRfc4122()]);

        return true === $own;
    }

    public function howMany(): int
    {
        $many = $this->database->fetchOne('SELECT count(*) FROM practice');

        return is_numeric($many) ? (int) $many : 0;
    }

    /** @return array<array-key, mixed>|null null while it is not there */
    public function debrief(Uuid $job): ?array
    {
        $kept = $this->database->fetchOne('SELECT debrief FROM practice WHERE job_id = ?', [$job->toRfc4122()]);
        $read = \is_string($kept) ? json_decode($kept, true) : null;

        return \is_array($read) ? $read : null;
    }

    /** @param array<array-key, mixed> $debrief */
    public function keepDebrief(Uuid $job, array $debrief): void
    {
        $this->database->executeStatement('UPDATE practice SET debrief = ? WHERE job_id = ?', [
            json_encode($debrief, \JSON_THROW_ON_ERROR),
            $job->toRfc4122(),
        ]);
    }
}
