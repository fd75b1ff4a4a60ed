<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What glycol fluid does when it is wet and hot; see `docs/hydraulics.md`, "The network". */
final readonly class Fluid
{
    /** Boiling point of the dry fluid beyond that of a very wet one (K), and how fast water takes it away (%). */
    private const WET_BOILS_C = 155.0;
    private const DRY_OVER_WET_K = 90.0;
    private const WATER_SCALE = 1.3;
    /** Vapour at a wheel whose fluid boils (mL; handbook: 2 to 10). */
    private const VAPOUR_ML = 6.0;
    /** Over so many kelvins boiling begins here and ends there (estimate; plausible 4 to 15). */
    private const BEGINS_OVER_K = 8.0;

    /** 155 + 90·exp(−w/1.3) °C, w in % of water. */
    public static function boilsAtC(float $water): float
    {
        return self::WET_BOILS_C + self::DRY_OVER_WET_K * exp(-$water / self::WATER_SCALE);
    }

    /** mL of vapour at one wheel. */
    public static function vapourMl(float $fluidC, float $water): float
    {
        return self::VAPOUR_ML / (1.0 + exp(-($fluidC - self::boilsAtC($water)) / self::BEGINS_OVER_K));
    }
}
