<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/**
 * A piston pushed back, pedal free: how far in 4 s with the bleeder shut, what share of the force is left 5 s after
 * stopping, and what it takes with the bleeder open.
 */
final readonly class PushBack
{
    public function __construct(public float $movedMm, public float $leftShare, public float $openN)
    {
    }
}
