<?php

declare(strict_types=1);

namespace App\Prediction;

/** Asks the worker to compute what every fault of a layout would show. */
final readonly class ComputeSignature
{
    public function __construct(public string $preset)
    {
    }
}
