<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\SameContent;
use Doctrine\ORM\Mapping as ORM;
use Rodrel\Core\CoreException;
use Rodrel\Core\Log\Claim;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\Payload;
use Symfony\Component\Uid\Uuid;

/** A line of the log as stored: never changed, never deleted (the database refuses both). */
#[ORM\Entity(repositoryClass: JobEntryRepository::class, readOnly: true)]
#[ORM\Table(name: 'job_entry')]
#[ORM\UniqueConstraint(name: 'job_entry_seq', columns: ['job_id', 'seq'])]
#[ORM\Index(name: 'job_entry_kind', columns: ['kind', 'recorded_at'])]
class JobEntry
{
    /** Version of the payload shapes in docs/formats. */
    public const FORMAT = 2;

    #[ORM\Id]
    #[ORM\Column(type: 'uuid')]
    private Uuid $id;

    #[ORM\Column(type: 'uuid')]
    private Uuid $jobId;

    #[ORM\Column]
    private int $seq;

    #[ORM\Column]
    private int $epoch;

    #[ORM\Column(length: 20)]
    private string $kind;

    #[ORM\Column]
    private int $format;

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

    /** @var array<string, mixed>|null the entry as it came from elsewhere, see StoredClaim */
    #[ORM\Column(type: 'json', nullable: true, options: ['jsonb' => true])]
    private ?array $claim;

    /** Read once: an entry never changes. */
    private ?Entry $read = null;

    /** @param array<string, mixed> $payload as it is to be kept */
    private function __construct(
        Uuid $id,
        LogPlace $place,
        Kind $kind,
        array $payload,
        Stamp $stamp,
        ?StoredClaim $claim,
    ) {
        $this->id = $id;
        $this->jobId = $place->job;
        $this->seq = $place->seq;
        $this->epoch = $place->epoch;
        $this->kind = $kind->value;
        $this->payload = $payload;
        $this->authorId = $stamp->author;
        $this->takenAt = $stamp->takenAt;
        $this->recordedAt = $stamp->recordedAt;
        $this->catalogueHash = $stamp->catalogueHash;
        $this->claim = $claim?->toArray();
        $this->format = null === $claim ? self::FORMAT : 1;
    }

    public static function written(Uuid $id, LogPlace $place, Payload $payload, Stamp $stamp): self
    {
        return new self($id, $place, $payload::kind(), $payload->write(), $stamp, null);
    }

    /**
     * Restored from a backup of this shop, or brought in from elsewhere with its claim: the payload as it came.
     *
     * @param array<string, mixed> $payload
     */
    public static function broughtIn(
        Uuid $id,
        LogPlace $place,
        Kind $kind,
        array $payload,
        Stamp $stamp,
        ?StoredClaim $claim = null,
    ): self {
        return new self($id, $place, $kind, $payload, $stamp, $claim);
    }

    public function belongsTo(Uuid $jobId): bool
    {
        return $this->jobId->equals($jobId);
    }

    public function says(Payload $payload): bool
    {
        return $this->kind === $payload::kind()->value && SameContent::is($this->payload, $payload->write());
    }

    public function id(): Uuid
    {
        return $this->id;
    }

    public function seq(): int
    {
        return $this->seq;
    }

    public function epoch(): int
    {
        return $this->epoch;
    }

    /** As it is written: a log may hold a kind that this version does not know. */
    public function kind(): string
    {
        return $this->kind;
    }

    /** Null where it cannot be read: of an unknown kind, or damaged. */
    public function readable(): ?Entry
    {
        try {
            return null === Kind::tryFrom($this->kind) ? null : $this->toCore();
        } catch (CoreException) {
            return null;
        }
    }

    public function jobId(): Uuid
    {
        return $this->jobId;
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

    public function claim(): ?StoredClaim
    {
        return null === $this->claim ? null : StoredClaim::fromArray($this->claim);
    }

    /** Whether it was written under this catalogue: else what is believed now may differ from then. */
    public function isUnder(string $catalogueHash): bool
    {
        return $this->catalogueHash === $catalogueHash;
    }

    /** The version that its payload is written in. */
    public function format(): int
    {
        return $this->format;
    }

    public function catalogueHash(): string
    {
        return $this->catalogueHash;
    }

    public function takenAt(): \DateTimeImmutable
    {
        return $this->takenAt;
    }

    public function recordedAt(): \DateTimeImmutable
    {
        return $this->recordedAt;
    }

    /** @throws CoreException when it cannot be read, see readable() */
    public function toCore(): Entry
    {
        $claim = $this->claim();

        return $this->read ??= new Entry(
            $this->id->toRfc4122(),
            $this->seq,
            Kind::from($this->kind)->read($this->payload),
            $this->authorId->toRfc4122(),
            $this->takenAt,
            null === $claim ? null : new Claim($claim->name, $claim->doubts),
        );
    }
}
