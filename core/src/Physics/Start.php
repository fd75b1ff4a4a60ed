<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** An engine that is started while the foot is on the pedal, and how fast its vacuum comes. */
final readonly class Start
{
    /** A sound supply fills the booster in about two seconds (time constant, s; estimate; plausible 0.3 to 1). */
    public const FILLS_S = 0.6;

    public function __construct(public float $atS, public float $fillsS)
    {
    }

    /** Share of the vacuum that is there at a moment: 1 − exp(−t/τ) since the start. */
    public function share(float $t): float
    {
        return $t < $this->atS ? 0.0 : 1.0 - exp(-($t - $this->atS) / $this->fillsS);
    }
}
