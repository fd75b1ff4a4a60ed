<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** A foot on a pedal, with what the booster adds, at the master cylinder. */
final readonly class PedalSource implements Source
{
    public function __construct(private Foot $foot, private Booster $booster)
    {
    }

    public function kpa(float $t, float $givenMl): float
    {
        return $this->booster->chamberKpa($this->foot->at($t), $t);
    }

    public function nextCorner(float $t): float
    {
        return min(
            $this->foot->nextCorner($t),
            $this->booster->nextCorner($t),
            $this->foot->nextPassing($t, $this->booster->jumpsAtN()),
        );
    }
}
