<?php

declare(strict_types=1);

namespace App\Inboard;

/** Stored pressure on one bench. */
final readonly class StoredPage
{
    /**
     * @param list<array{check: string, name: string, said: string|null}> $rows
     * @param array{head: list<string>, body: list<array{name: string, cells: list<string>}>} $table
     * @param list<string> $typical figures that nobody has typed yet
     */
    public function __construct(
        public array $rows,
        public Plot $plot,
        public array $table,
        public string $said,
        public array $typical,
    ) {
    }
}
