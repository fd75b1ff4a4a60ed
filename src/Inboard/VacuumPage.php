<?php

declare(strict_types=1);

namespace App\Inboard;

/** The vacuum side on one bench. */
final readonly class VacuumPage
{
    /**
     * @param list<array{check: string, name: string, said: string|null}> $rows
     * @param array{head: list<string>, body: list<array{name: string, cells: list<string>}>} $table
     * @param array{head: list<string>, body: list<array{name: string, cells: list<string>}>}|null $benchTable
     */
    public function __construct(
        public array $rows,
        public Plot $plot,
        public array $table,
        public string $said,
        public ?Plot $bench,
        public ?array $benchTable,
    ) {
    }
}
