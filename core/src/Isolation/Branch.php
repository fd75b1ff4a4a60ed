<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** One way a check can come out, and where that would leave the job. */
final readonly class Branch
{
    /**
     * @param array<string, string> $outcomes word by row
     * @param list<array{string, float}> $leaders the leading repair groups after it, at most three
     */
    public function __construct(public array $outcomes, public float $chance, public array $leaders)
    {
    }
}
