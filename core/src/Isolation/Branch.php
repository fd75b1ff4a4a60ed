<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** One way a check can come out, and where that would leave the job. */
final readonly class Branch
{
    /**
     * @param array<string, string> $outcomes word by row; empty where answers of four wheels were merged
     * @param list<array{string, float}> $leaders the leading repair groups after it, at most three
     * @param list<string> $marked merged: the rows that are not at their best word
     * @param array<string, list<string>> $seen merged: the words of those rows, likeliest first
     */
    public function __construct(
        public array $outcomes,
        public float $chance,
        public array $leaders,
        public array $marked = [],
        public array $seen = [],
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $outcomes = $leaders = $seen = [];
        foreach ($shape->in('outcomes')->keys() as $row) {
            $outcomes[$row] = $shape->in('outcomes')->text($row);
        }
        foreach ($shape->each('leaders') as $leader) {
            $leaders[] = [$leader->text('0'), $leader->number('1')];
        }

        foreach ($shape->in('seen')->keys() as $row) {
            $seen[$row] = $shape->in('seen')->texts($row);
        }

        return new self($outcomes, $shape->number('chance'), $leaders, $shape->texts('marked'), $seen);
    }
}
