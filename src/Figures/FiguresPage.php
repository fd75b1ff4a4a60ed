<?php

declare(strict_types=1);

namespace App\Figures;

/** The figures of one vehicle. */
final readonly class FiguresPage
{
    /**
     * @param list<string> $odd
     * @param list<array<string, mixed>> $figures
     * @param list<array{step: string, label: string, own: string|null, low: string, high: string}> $torques
     */
    public function __construct(
        public string $preset,
        public array $odd,
        public array $figures,
        public array $torques,
        public string $torqueUnit,
    ) {
    }
}
