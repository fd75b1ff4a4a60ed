<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Fault\Faults;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\PairShelf;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Vehicle\Layout;

/** Computes the pairs of one layout as they are asked for, and keeps them. */
final class Shelf implements PairShelf
{
    /** How many had to be computed. */
    public int $computed = 0;

    /** @param array<string, FaultSignature> $pairs by both names, known before */
    public function __construct(
        private readonly Prediction $prediction,
        private readonly Faults $faults,
        public array $pairs = [],
    ) {
    }

    public function pairs(Layout $layout, array $couples): array
    {
        foreach ($couples as $name => [$one, $other]) {
            if (!isset($this->pairs[$name])) {
                ++$this->computed;
                $this->pairs[$name] = $this->prediction->pair($this->faults, $one, $other);
            }
        }

        return array_intersect_key($this->pairs, $couples);
    }
}
