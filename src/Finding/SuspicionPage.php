<?php

declare(strict_types=1);

namespace App\Finding;

/** What would settle a repair that the technician thinks of. */
final readonly class SuspicionPage
{
    /**
     * @param list<array{check: string, said: string, then: string, minutes: int}> $refute
     * @param list<array{check: string, said: string, then: string, minutes: int}> $confirm
     * @param array<string, string> $all every repair of this vehicle by its group
     */
    public function __construct(
        public string $group,
        public string $name,
        public float $mass,
        public array $refute,
        public array $confirm,
        public float $cost,
        public float $going,
        public float $known,
        public array $all,
    ) {
    }
}
