<?php

declare(strict_types=1);

namespace App\Exchange;

/** Bringing in a file. */
final readonly class ImportPage
{
    public function __construct(
        public ?string $wrong,
    ) {
    }
}
