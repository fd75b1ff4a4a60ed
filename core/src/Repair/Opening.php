<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** What of the system a repair opens, what it wants bled afterwards, and whether an axle may be done as a pair. */
final readonly class Opening
{
    /** @param list<string> $wantsSeen rows of the first look that must be seen before it is a finding */
    private function __construct(public bool $system, public string $bleeds, public bool $pair, public array $wantsSeen)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->flag('opens'),
            $shape->choice('bleeds', ['none', 'place', 'all']),
            $shape->flag('pair'),
            $shape->texts('wants_seen'),
        );
    }
}
