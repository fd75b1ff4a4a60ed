<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** A foot on a pedal, with what the booster adds, at the master cylinder. */
final class PedalSource implements Source
{
    /** The straight piece of the foot's way that was asked for last: from, newtons there, newtons per second, until. */
    private float $from = 0.0;
    private float $newtons = 0.0;
    private float $perS = 0.0;
    private float $until = -\INF;

    public function __construct(private readonly Foot $foot, private readonly Booster $booster)
    {
    }

    public function kpa(float $t, float $givenMl): float
    {
        if ($t > $this->until || $t < $this->from) {
            [$this->from, $this->newtons, $this->perS, $this->until] = $this->foot->piece($t);
        }

        return $this->booster->chamberKpa($this->newtons + $this->perS * ($t - $this->from), $t);
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
