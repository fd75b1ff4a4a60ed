<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What a check would teach, save and take. */
final readonly class Worth
{
    /**
     * @param float $bits expected information
     * @param float $savingCents expected saving
     * @param float $minutes of the check and the state change before it
     * @param float $wayMinutes of them until it can begin: walking, lifting, calling, and bleeding after it
     * @param float $aloneCents its own net worth once one is there
     * @param float $score worth per minute, minor units
     * @param float $moved share of the belief that its answer is expected to move
     */
    public function __construct(
        public float $bits,
        public float $savingCents,
        public float $minutes,
        public float $score,
        public float $wayMinutes = 0.0,
        public float $aloneCents = 0.0,
        public float $moved = 0.0,
    ) {
    }
}
