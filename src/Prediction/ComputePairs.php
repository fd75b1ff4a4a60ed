<?php

declare(strict_types=1);

namespace App\Prediction;

/** Asks the worker to compute what pairs of faults in a layout would show. */
final readonly class ComputePairs
{
    /**
     * @param array<array-key, mixed> $document of the layout
     * @param list<array{string, string}> $pairs suspects
     */
    public function __construct(public array $document, public array $pairs)
    {
    }
}
