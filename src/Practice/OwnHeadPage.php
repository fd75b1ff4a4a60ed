<?php

declare(strict_types=1);

namespace App\Practice;

/** A practice job without advice. */
final readonly class OwnHeadPage
{
    /**
     * @param array<string, list<array{id: string, name: string, minutes: int, made: bool}>> $stations
     * @param list<array{name: string, said: string}> $read
     * @param array<string, string> $repairs
     * @param list<string> $repaired what was carried out already
     * @param bool $atBench it is looked for, or looked for again
     */
    public function __construct(
        public array $stations,
        public array $read,
        public array $repairs,
        public int $minutes,
        public float $cents,
        public array $repaired,
        public bool $atBench,
    ) {
    }
}
