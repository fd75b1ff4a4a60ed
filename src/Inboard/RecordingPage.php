<?php

declare(strict_types=1);

namespace App\Inboard;

/** A recording read in: drawn, told, and ready to be kept as the reading of its check. */
final readonly class RecordingPage
{
    /**
     * @param array{head: list<string>, body: list<array{name: string, cells: list<string>}>} $table
     * @param list<string> $said
     * @param array<string, string> $fields of the reading's form, by name
     */
    public function __construct(
        public string $check,
        public string $name,
        public ?Plot $plot,
        public array $table,
        public array $said,
        public array $fields,
        public string $error = '',
    ) {
    }
}
