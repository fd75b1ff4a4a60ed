<?php

declare(strict_types=1);

namespace App\Prediction;

/** Asks the worker to compute what every fault of a layout would show. */
final readonly class ComputeSignature
{
    /** @param array<array-key, mixed> $document of the layout */
    public function __construct(public array $document)
    {
    }
}
