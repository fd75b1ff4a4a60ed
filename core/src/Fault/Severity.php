<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;

/** A named axis of a fault's severity grid: values in the model's units and their relative weights. */
final readonly class Severity
{
    /**
     * @param non-empty-list<float> $values
     * @param non-empty-list<float> $weights
     */
    private function __construct(public string $name, public array $values, public array $weights)
    {
    }

    public static function fromShape(string $name, Shape $shape): self
    {
        $values = $shape->numbers('values');
        $weights = $shape->numbers('weights');
        if ([] === $values || [] === $weights || \count($values) !== \count($weights)) {
            throw $shape->wrong('weights', 'one weight per value is expected');
        }
        if (min($weights) <= 0.0) {
            throw $shape->wrong('weights', 'weights are above zero');
        }

        return new self($name, $values, $weights);
    }
}
