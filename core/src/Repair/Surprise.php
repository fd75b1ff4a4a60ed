<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/**
 * What a repair meets on its way: a rounded nut, a pipe that turns along, a snapped bolt. Its words are the catalogue
 * texts `surprise.<id>.what` and `surprise.<id>.do`.
 */
final readonly class Surprise
{
    /**
     * @param non-empty-list<string> $steps where it can happen
     * @param float $minutes that it costs, typically (estimate; half to double)
     * @param string $repair that joins the work list where it has to; '' for none
     */
    private function __construct(public string $id, public array $steps, public float $minutes, public string $repair)
    {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        $steps = $shape->texts('steps');

        return new self(
            $id,
            [] === $steps ? $shape->miss('steps', 'at least one step is expected', ['']) : $steps,
            $shape->notNegative('minutes'),
            $shape->text('repair', ''),
        );
    }
}
