<?php

declare(strict_types=1);

namespace App\Instrument;

/** What a practice vehicle really has. */
final readonly class PracticePage
{
    public function __construct(public string $has)
    {
    }
}
