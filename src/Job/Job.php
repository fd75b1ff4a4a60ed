<?php

declare(strict_types=1);

namespace App\Job;

use App\Vehicle\Vehicle;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A vehicle in the shop with a complaint. All that happens to it is in its log. */
#[ORM\Entity(repositoryClass: JobRepository::class)]
#[ORM\Table(name: 'job')]
#[ORM\Index(name: 'job_vehicle', columns: ['vehicle_id'])]
class Job
{
    /** What practice vehicles are called, before their number. */
    public const PRACTICE = 'Practice vehicle';

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

    /** the vehicle it belongs to; what the job was opened with stays beside it, so that they can be parted again */
    #[ORM\Column(type: 'uuid')]
    private Uuid $vehicleId;

    private function __construct(Uuid $id, Vehicle $vehicle, \DateTimeImmutable $openedAt)
    {
        $this->id = $id;
        $this->openedAt = $openedAt;
        $this->mend($vehicle);
    }

    /** Puts it down on another vehicle: the first one was a mistake. */
    public function mend(Vehicle $vehicle): void
    {
        $this->vehicleId = $vehicle->id();
        $this->unit = $vehicle->kind()->unit;
        $this->preset = $vehicle->kind()->preset;
        $this->parts = $vehicle->kind()->parts;
    }

    /** It is only practised: its name says so wherever it is read. */
    public function isPractice(): bool
    {
        return str_starts_with($this->unit, self::PRACTICE.' ');
    }

    public static function open(Uuid $id, Vehicle $vehicle, \DateTimeImmutable $at): self
    {
        return new self($id, $vehicle, $at);
    }

    public function vehicleId(): Uuid
    {
        return $this->vehicleId;
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
