<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What is looked at and felt on one walk around one station, with nothing taken apart. */
final readonly class Round
{
    /** @param list<string> $checks in the order of the walk: look, then hand, then press */
    public function __construct(public string $id, public array $checks)
    {
    }
}
