<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What else is known of a reading: further words said in the same breath, and how often it was taken. */
final readonly class Aside
{
    /** @param list<string> $also */
    public function __construct(public array $also = [], public int $times = 1)
    {
    }
}
