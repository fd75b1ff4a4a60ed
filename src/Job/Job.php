<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A vehicle in the shop with a complaint. All that happens to it is in its log. */
#[ORM\Entity(repositoryClass: JobRepository::class)]
#[ORM\Table(name: 'job')]
class Job
{
    #[ORM\Id]
    #[ORM\Column(type: 'uuid')]
    private Uuid $id;

    #[ORM\Column(length: 120)]
    private string $unit;

    #[ORM\Column(length: 60)]
    private string $preset;

    #[ORM\Column(type: 'datetimetz_immutable')]
    private \DateTimeImmutable $openedAt;

    /** @var array<string, mixed> what the vehicle was composed from; empty where it is a preset */
    #[ORM\Column(type: 'json', options: ['jsonb' => true])]
    private array $parts;

    /** @param array<string, mixed> $parts */
    private function __construct(Uuid $id, string $unit, string $preset, array $parts, \DateTimeImmutable $openedAt)
    {
        $this->id = $id;
        $this->unit = $unit;
        $this->preset = $preset;
        $this->parts = $parts;
        $this->openedAt = $openedAt;
    }

    /** @param array<string, mixed> $parts see Composer::compose(); empty for a preset */
    public static function open(Uuid $id, string $unit, string $preset, \DateTimeImmutable $at, array $parts = []): self
    {
        return new self($id, $unit, $preset, $parts, $at);
    }

    public function id(): Uuid
    {
        return $this->id;
    }

    public function unit(): string
    {
        return $this->unit;
    }

    public function preset(): string
    {
        return $this->preset;
    }

    /** @return array<string, mixed> */
    public function parts(): array
    {
        return $this->parts;
    }

    public function openedAt(): \DateTimeImmutable
    {
        return $this->openedAt;
    }
}
