<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\Place;

/** A part that was fitted lately, and how many weeks ago; or one that was mended by a makeshift, and how. */
final readonly class FittedPart
{
    /** @param string $makeshift how it was mended; '' for a proper part, which alone says something of its faults */
    public function __construct(public PartAt $part, public int $weeks, public string $makeshift = '')
    {
    }

    public static function read(Shape $shape): self
    {
        $part = Part::of($shape->text('part'))->at(Place::of($shape->text('place')));

        return new self($part, (int) $shape->number('weeks'), trim($shape->text('makeshift', '')));
    }

    /** @return array<string, int|string> */
    public function write(): array
    {
        return ['part' => $this->part->id, 'place' => $this->part->place->id, 'weeks' => $this->weeks]
            + ('' === $this->makeshift ? [] : ['makeshift' => $this->makeshift]);
    }
}
