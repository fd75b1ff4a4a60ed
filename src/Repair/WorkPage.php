<?php

declare(strict_types=1);

namespace App\Repair;

/** The work list of a visit: what is in, what is on offer, what it comes to. */
final readonly class WorkPage
{
    /**
     * @param list<array<string, mixed>> $in
     * @param list<array<string, mixed>> $offered
     * @param list<array<string, mixed>> $off put off, with reason and day
     * @param list<array{id: string, what: string, count: int, here: bool}> $parts
     * @param array<string, string> $all names of all other repairs, by group
     * @param int $steps lines of the composed sheet
     */
    public function __construct(
        public array $in,
        public array $offered,
        public array $off,
        public float $cents,
        public int $minutes,
        public int $steps,
        public array $all,
        public string $back,
        public array $parts,
    ) {
    }
}
