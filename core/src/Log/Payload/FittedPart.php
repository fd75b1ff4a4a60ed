<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\Place;

/** A part that was fitted lately, and how many weeks ago. */
final readonly class FittedPart
{
    public function __construct(public PartAt $part, public int $weeks)
    {
    }

    public static function read(Shape $shape): self
    {
        $part = Part::of($shape->text('part'))->at(Place::of($shape->text('place')));

        return new self($part, (int) $shape->number('weeks'));
    }

    /** @return array{part: string, place: string, weeks: int} */
    public function write(): array
    {
        return ['part' => $this->part->id, 'place' => $this->part->place->id, 'weeks' => $this->weeks];
    }
}
