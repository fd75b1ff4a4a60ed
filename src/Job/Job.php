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

    private function __construct(Uuid $id, string $unit, string $preset, \DateTimeImmutable $openedAt)
    {
        $this->id = $id;
        $this->unit = $unit;
        $this->preset = $preset;
        $this->openedAt = $openedAt;
    }

    public static function open(Uuid $id, string $unit, string $preset, \DateTimeImmutable $at): self
    {
        return new self($id, $unit, $preset, $at);
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

    public function openedAt(): \DateTimeImmutable
    {
        return $this->openedAt;
    }
}
