<?php

declare(strict_types=1);

namespace App\History;

/** All that the shop knows of one vehicle. */
final readonly class VehiclePage
{
    /**
     * @param list<array<string, mixed>> $jobs latest first
     * @param list<SmallPlot> $plots small plots over time, each with its figures
     * @param list<array{at: \DateTimeImmutable, what: string}> $fitted latest first
     * @param list<array{job: string, text: string, due: string}> $items
     * @param list<array{name: string, figure: string, own: bool}> $figures
     */
    public function __construct(
        public string $id,
        public string $unit,
        public string $kind,
        public array $jobs,
        public array $plots,
        public array $fitted,
        public array $items,
        public array $figures,
    ) {
    }
}
