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
        if ([] === $values || \count($values) !== \count($weights)) {
            $shape->miss('weights', 'one weight per value is expected');

            return new self($name, [1.0], [1.0]);
        }
        if (min($weights) <= 0.0) {
            $shape->miss('weights', 'weights are above zero');
        }
        if (\count(array_unique($values)) !== \count($values)) {
            $shape->miss('values', 'a value stands here twice');
        }

        return new self($name, $values, $weights);
    }
}
