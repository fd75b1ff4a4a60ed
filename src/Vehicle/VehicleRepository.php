<?php

declare(strict_types=1);

namespace App\Vehicle;

use App\Input\SameContent;
use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
use Symfony\Component\Uid\Uuid;

/** @extends ServiceEntityRepository<Vehicle> */
final class VehicleRepository extends ServiceEntityRepository
{
    /** So many known vehicles are offered at the intake. */
    private const OFFERED = 12;

    public function __construct(ManagerRegistry $registry)
    {
        parent::__construct($registry, Vehicle::class);
    }

    /** @return list<Vehicle> those that the shop knows, the latest first */
    public function latest(): array
    {
        return $this->findBy([], ['knownSince' => 'DESC'], self::OFFERED);
    }

    /** The vehicle of that name and kind; a new one where the shop has none. */
    public function of(VehicleKind $kind, \DateTimeImmutable $at): Vehicle
    {
        foreach ($this->findBy(['unit' => $kind->unit, 'preset' => $kind->preset]) as $known) {
            if (SameContent::is($known->kind()->parts, $kind->parts)) {
                return $known;
            }
        }
        $vehicle = new Vehicle(Uuid::v7(), $kind, $at);
        $this->getEntityManager()->persist($vehicle);
        $this->getEntityManager()->flush();

        return $vehicle;
    }
}
