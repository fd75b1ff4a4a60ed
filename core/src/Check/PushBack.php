<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/**
 * A piston pushed back, pedal free: how far in 4 s with the bleeder shut, what share of the force is left 5 s after
 * stopping, what it takes with the bleeder open beyond a sound one's, and what it takes to push it slowly with the
 * bleeder shut.
 */
final readonly class PushBack
{
    public function __construct(
        public float $movedMm,
        public float $leftShare,
        public float $openN,
        public float $slowN,
    ) {
    }
}
