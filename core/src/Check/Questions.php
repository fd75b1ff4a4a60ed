<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Check\Observer\Observers;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** What a check asks: its rows, and the family of readings that is off together where the model is off. */
final readonly class Questions
{
    /**
     * @param string $family '' for what is seen in itself
     * @param non-empty-array<string, Row> $rows by row id; a check with one answer has the row ''
     */
    private function __construct(public string $family, public array $rows)
    {
    }

    public static function fromShape(Shape $shape, Observers $observers): self
    {
        $rows = [];
        if ($shape->has('each_corner')) {
            $observer = $observers->read($shape->in('each_corner'));
            foreach (Corner::cases() as $corner) {
                $rows[$corner->value] = new Row($corner->value, $corner, $observer);
            }
        }
        foreach ($shape->each('rows') as $id => $row) {
            $rows[$id] = new Row($id, null, $observers->read($row), $row->text('only_if', ''));
        }
        if ($shape->has('observer')) {
            $rows[''] = new Row('', null, $observers->read($shape->in('observer')));
        }
        if ([] === $rows) {
            $shape->miss('', 'an observer, rows, or each_corner is expected');
            $rows[''] = new Row('', null, $observers->none());
        }

        return new self($shape->text('family', ''), $rows);
    }
}
