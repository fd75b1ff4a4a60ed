<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

/** What one row shows on one vehicle: the chance of each word, and where a number is typed its median. */
final readonly class Seen
{
    /** @param non-empty-list<float> $chances */
    public function __construct(public array $chances, public ?float $median = null)
    {
    }
}
