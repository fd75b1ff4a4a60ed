<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Layout;

/** Foot force to chamber pressure; see `docs/hydraulics.md`, "Foot to master cylinder". */
final readonly class Booster
{
    /** Below this vacuum a control valve that holds on lets go (kPa; handbook). */
    private const HOLDS_ABOVE_KPA = 20.0;
    /** Share of the rod force that gets past the cups (handbook). */
    private const SEAL_EFFICIENCY = 0.9;
    /** What the piston springs take (N; handbook). */
    private const RETURN_SPRING_N = 60.0;

    /** @param float $stuckUntil second at which the vacuum behind a stuck valve is gone */
    public function __construct(
        private Layout $layout,
        private float $vacuumKpa,
        private float $stuckN = 0.0,
        private float $stuckUntil = \INF,
    ) {
    }

    /** F_rod = max(F_in + F_assist, F_stuck) in N; F_stuck only while there is vacuum. */
    public function rodN(float $footN, float $t = 0.0): float
    {
        $in = $this->layout->pedal->ratio * $footN;
        $held = $this->vacuumKpa > self::HOLDS_ABOVE_KPA && $t < $this->stuckUntil ? $this->stuckN : 0.0;

        return max($in + $this->assistN($in), $held);
    }

    /** p* = max(0, 0.9 F_rod − 60) / (0.1 A_mc) in kPa. */
    public function chamberKpa(float $footN, float $t = 0.0): float
    {
        return max(0.0, self::SEAL_EFFICIENCY * $this->rodN($footN, $t) - self::RETURN_SPRING_N)
            / (0.1 * $this->layout->masterAreaCm2());
    }

    /** The moment after `$t` at which a stuck valve lets go; INF when it does not. */
    public function nextCorner(float $t): float
    {
        return $this->stuckN > 0.0 && $this->stuckUntil > $t + 1e-9 ? $this->stuckUntil : \INF;
    }

    /** Force at the pedal, N, at which the valve opens and the assist jumps in; 0 where there is none. */
    public function jumpsAtN(): float
    {
        return $this->vacuumKpa > 0.0 ? $this->layout->assist->cutInN / $this->layout->pedal->ratio : 0.0;
    }

    /** Equal boosters behave equally: a key for sharing results. */
    public function print(): string
    {
        return $this->stuckN.'/'.$this->stuckUntil.'/'.$this->vacuumKpa;
    }

    private function assistN(float $inN): float
    {
        $layout = $this->layout;
        $byRatio = ($layout->assist->gain - 1.0) * max(0.0, $inN - $layout->assist->cutInN);
        if ($inN > $layout->assist->cutInN) {
            $byRatio = max($byRatio, $layout->assist->jumpOutN - $inN);
        }

        return min($byRatio, 0.1 * $layout->assist->areaCm2 * $this->vacuumKpa);
    }
}
