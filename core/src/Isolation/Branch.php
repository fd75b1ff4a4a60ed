<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** One way a check can come out, and where that would leave the job. */
final readonly class Branch
{
    /**
     * @param array<string, string>      $outcomes word by row; empty where answers of four wheels were merged
     * @param list<array{string, float}> $leaders  the leading repair groups after it, at most three
     * @param list<string>               $marked   merged: the rows that are not at their best word
     */
    public function __construct(public array $outcomes, public float $chance, public array $leaders, public array $marked = [])
    {
    }
}
