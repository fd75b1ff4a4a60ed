<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** One check on a round, and what its rows say of a sound vehicle. */
final readonly class Stop
{
    /**
     * @param list<string> $rows those that are open
     * @param array<string, string> $good the word that one tap for nothing else odd stands for, by row; rows that are
     *     always answered by name are not in it
     */
    public function __construct(public CheckAt $at, public array $rows, public array $good)
    {
    }

    /** @return array{at: string, rows: list<string>, good: array<string, string>} */
    public function toArray(): array
    {
        return ['at' => (string) $this->at, 'rows' => $this->rows, 'good' => $this->good];
    }

    public static function fromShape(Shape $shape): self
    {
        $good = [];
        foreach ($shape->in('good')->keys() as $row) {
            $good[$row] = $shape->in('good')->text($row);
        }

        return new self(CheckAt::parse($shape->text('at')), $shape->texts('rows'), $good);
    }
}
