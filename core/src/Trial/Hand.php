<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Check\Checks;

/** Who makes the checks: with which foot and eyes, and how often wrongly. */
final readonly class Hand
{
    /**
     * @param Checks $checks as this technician makes them
     * @param float $wrong share of rows that are answered wrongly
     * @param array<string, float> $biases how far each family is off on this vehicle, as a logarithm
     * @param bool $near a wrong word is the one beside the right one
     */
    public function __construct(
        public Checks $checks,
        public float $wrong,
        public int $seed,
        public array $biases = [],
        public bool $near = false,
    ) {
    }
}
