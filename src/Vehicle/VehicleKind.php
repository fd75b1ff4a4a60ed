<?php

declare(strict_types=1);

namespace App\Vehicle;

/** What a vehicle is called in the shop, and what kind it is: a preset, or what it was composed from. */
final readonly class VehicleKind
{
    /** @param array<string, mixed> $parts see Composer::compose(); empty for a preset */
    public function __construct(public string $unit, public string $preset, public array $parts = [])
    {
    }
}
