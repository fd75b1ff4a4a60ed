<?php

declare(strict_types=1);

namespace App\Vehicle;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A vehicle of the shop's customers; its jobs belong to it. */
#[ORM\Entity(repositoryClass: VehicleRepository::class)]
#[ORM\Table(name: 'vehicle')]
#[ORM\Index(name: 'vehicle_unit', columns: ['unit'])]
class Vehicle
{
    #[ORM\Id]
    #[ORM\Column(type: 'uuid')]
    private Uuid $id;

    #[ORM\Column(length: 120)]
    private string $unit;

    #[ORM\Column(length: 60)]
    private string $preset;

    /** @var array<string, mixed> */
    #[ORM\Column(type: 'json', options: ['jsonb' => true])]
    private array $parts;

    #[ORM\Column(type: 'datetimetz_immutable')]
    private \DateTimeImmutable $knownSince;

    public function __construct(Uuid $id, VehicleKind $kind, \DateTimeImmutable $knownSince)
    {
        $this->id = $id;
        $this->unit = $kind->unit;
        $this->preset = $kind->preset;
        $this->parts = $kind->parts;
        $this->knownSince = $knownSince;
    }

    public function id(): Uuid
    {
        return $this->id;
    }

    public function kind(): VehicleKind
    {
        return new VehicleKind($this->unit, $this->preset, $this->parts);
    }

    public function knownSince(): \DateTimeImmutable
    {
        return $this->knownSince;
    }
}
