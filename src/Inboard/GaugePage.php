<?php

declare(strict_types=1);

namespace App\Inboard;

/** Pressures at the bleeders. */
final readonly class GaugePage
{
    /**
     * @param array{head: list<string>, body: list<array{name: string, cells: list<string>}>} $table
     * @param list<array{check: string, name: string, made: bool}> $wheels
     */
    public function __construct(
        public Plot $plot,
        public array $table,
        public string $said,
        public array $wheels,
        public string $unit,
    ) {
    }
}
