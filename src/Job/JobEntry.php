<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\ORM\Mapping as ORM;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Kind;
use Symfony\Component\Uid\Uuid;

/** A line of the log as stored: never changed, never deleted (the database refuses both). */
#[ORM\Entity(repositoryClass: JobEntryRepository::class)]
#[ORM\Table(name: 'job_entry')]
#[ORM\UniqueConstraint(name: 'job_entry_seq', columns: ['job_id', 'seq'])]
class JobEntry
{
    /** Version of the payload shapes in docs/formats/job.md. */
    public const FORMAT = 1;

    #[ORM\Id]
    #[ORM\Column(type: 'uuid')]
    private Uuid $id;

    #[ORM\Column(type: 'uuid')]
    private Uuid $jobId;

    #[ORM\Column]
    private int $seq;

    #[ORM\Column]
    private int $epoch;

    #[ORM\Column(length: 20, enumType: Kind::class)]
    private Kind $kind;

    #[ORM\Column]
    private int $format = self::FORMAT;

    /** @var array<string, mixed> */
    #[ORM\Column(type: 'json', options: ['jsonb' => true])]
    private array $payload;

    #[ORM\Column(type: 'uuid')]
    private Uuid $authorId;

    #[ORM\Column(type: 'datetimetz_immutable')]
    private \DateTimeImmutable $takenAt;

    #[ORM\Column(type: 'datetimetz_immutable')]
    private \DateTimeImmutable $recordedAt;

    #[ORM\Column(length: 64)]
    private string $catalogueHash;

    /** @param array<string, mixed> $payload */
    public function __construct(Uuid $id, Uuid $jobId, int $seq, int $epoch, Kind $kind, array $payload, Uuid $authorId, \DateTimeImmutable $takenAt, \DateTimeImmutable $recordedAt, string $catalogueHash)
    {
        $this->id = $id;
        $this->jobId = $jobId;
        $this->seq = $seq;
        $this->epoch = $epoch;
        $this->kind = $kind;
        $this->payload = $payload;
        $this->authorId = $authorId;
        $this->takenAt = $takenAt;
        $this->recordedAt = $recordedAt;
        $this->catalogueHash = $catalogueHash;
    }

    public function belongsTo(Uuid $jobId): bool
    {
        return $this->jobId->equals($jobId);
    }

    /** @param array<string, mixed> $payload */
    public function says(Kind $kind, array $payload): bool
    {
        return $this->kind === $kind && $this->payload == $payload;
    }

    public function seq(): int
    {
        return $this->seq;
    }

    public function epoch(): int
    {
        return $this->epoch;
    }

    /** @return array<string, mixed> */
    public function payload(): array
    {
        return $this->payload;
    }

    public function authorId(): Uuid
    {
        return $this->authorId;
    }

    /** Whether it was written in this format and under this catalogue: else what is believed now may differ from then. */
    public function isUnder(string $catalogueHash): bool
    {
        return self::FORMAT === $this->format && $this->catalogueHash === $catalogueHash;
    }

    public function catalogueHash(): string
    {
        return $this->catalogueHash;
    }

    public function recordedAt(): \DateTimeImmutable
    {
        return $this->recordedAt;
    }

    public function toCore(): Entry
    {
        return new Entry($this->id->toRfc4122(), $this->seq, $this->kind, $this->payload, $this->authorId->toRfc4122(), $this->takenAt);
    }
}
