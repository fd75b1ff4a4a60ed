<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Vocabulary\Corner;

/** The figures of a condition report's line. Lengths in mm. */
final readonly class MeasuredLine
{
    /** @param string $part pads, shoes, rotor or drum */
    public function __construct(
        public Corner $corner,
        public string $part,
        public float $mm,
        public float $leftMm,
        public ?int $km,
    ) {
    }
}
