<?php

declare(strict_types=1);

namespace App\Inboard;

/** A held pedal: strip, plot and sentence. */
final readonly class PedalLogPage
{
    /**
     * @param list<array{row: string, second: int, label: string, was: string}> $rows
     * @param array{head: list<string>, body: list<array{name: string, cells: list<string>}>} $table
     * @param list<array<string, mixed>> $leading
     * @param string|null $start the check with the engine started under the foot, where something helps it
     */
    public function __construct(
        public string $hold,
        public string $check,
        public array $rows,
        public int $foot,
        public string $engine,
        public string $unit,
        public float $mmPerUnit,
        public Plot $plot,
        public array $table,
        public array $leading,
        public string $told,
        public ?string $perS,
        public bool $made,
        public ?string $start,
    ) {
    }
}
