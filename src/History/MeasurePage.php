<?php

declare(strict_types=1);

namespace App\History;

/** The measure sheet: four wheels with their figures, and one rotor round the clock. */
final readonly class MeasurePage
{
    /**
     * @param list<array<string, mixed>> $corners
     * @param list<string> $said what the figures say, in sentences
     * @param array<string, mixed>|null $clock the rotor measured last, round the clock
     */
    public function __construct(
        public array $corners,
        public array $said,
        public ?array $clock,
        public string $rate,
        public string $unit,
    ) {
    }
}
