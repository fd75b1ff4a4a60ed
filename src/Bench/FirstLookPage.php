<?php

declare(strict_types=1);

namespace App\Bench;

/** The first look on one sheet. */
final readonly class FirstLookPage
{
    /**
     * @param list<array<string, mixed>> $sheets one a check
     * @param array<string, mixed> $drawing
     * @param list<string> $wrong what was refused, in words
     */
    public function __construct(public array $sheets, public array $drawing, public array $wrong)
    {
    }
}
