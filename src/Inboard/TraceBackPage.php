<?php

declare(strict_types=1);

namespace App\Inboard;

/** The ladder of one wheel. */
final readonly class TraceBackPage
{
    /**
     * @param list<string> $wheels
     * @param list<string> $held
     * @param list<array<string, mixed>> $rungs
     * @param array{int, int}|null $between positions of the two rungs that it sits between
     * @param list<array{name: string, mass: float, cells: list<array{said: string, full: bool}>}> $left
     */
    public function __construct(
        public string $corner,
        public string $where,
        public array $wheels,
        public array $held,
        public array $rungs,
        public string $said,
        public ?array $between,
        public string $unit,
        public array $left,
        public bool $disc,
        public bool $modulator,
    ) {
    }
}
