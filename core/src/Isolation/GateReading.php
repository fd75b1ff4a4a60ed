<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** A row of a check and the words of it that open a gate. */
final readonly class GateReading
{
    /** @param list<string> $words */
    private function __construct(public string $check, public string $row, public array $words)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $words = $shape->texts('words');
        if ([] === $words) {
            $shape->miss('words', 'at least one word opens a gate');
        }

        return new self($shape->text('check'), $shape->text('row', ''), $words);
    }
}
