<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** How often a second fault is there: before any repair, and after one. */
final readonly class SecondFaultOdds
{
    private function __construct(public float $before, public float $afterRepair)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->number('second_fault'), $shape->number('second_fault_after_repair'));
    }
}
