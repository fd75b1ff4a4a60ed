<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Place;

/** Where a fault or a check can sit, and on which kinds of vehicle at all. */
final readonly class Sites
{
    /**
     * @param list<Reach> $on
     * @param string $oneAct `vehicle` or `circuit` where it is one act for that, at whichever wheel it is read; '' else
     */
    private function __construct(public Places $kind, public array $on, public string $oneAct)
    {
    }

    /** From `places` and `on` of a row of the catalogue. */
    public static function fromShape(Shape $shape): self
    {
        $oneAct = $shape->choice('one_act', ['', 'vehicle', 'circuit'], '');

        return new self($shape->oneOf('places', Places::class), Reach::listFrom($shape), $oneAct);
    }

    /** @return list<Place> none where it does not apply */
    public function in(Layout $layout): array
    {
        return \in_array($layout->reach(), $this->on, true) ? $this->kind->in($layout) : [];
    }

    /** Whether a place is one of them in a layout. */
    public function has(Layout $layout, Place $place): bool
    {
        return \in_array($layout->reach(), $this->on, true) && $this->kind->has($layout, $place);
    }
}
