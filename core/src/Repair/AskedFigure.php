<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Quantity\Quantity;

/** The figure that is typed with a step: a torque, a gap. */
final readonly class AskedFigure
{
    /** A wrench is within this share of what it is set to (share; estimate, plausible 0.04 to 0.06). */
    private const MAY_MISS = 0.05;

    /**
     * @param array{float, float} $typical band in core units, until the vehicle's own is typed
     * @param bool $holdPoint somebody looks at it a second time
     */
    public function __construct(public Quantity $measures, public array $typical, public bool $holdPoint)
    {
    }

    /** @return array{float, float} what is right: round the vehicle's own figure, else the typical band */
    public function band(?float $own): array
    {
        return null === $own ? $this->typical : [$own * (1.0 - self::MAY_MISS), $own * (1.0 + self::MAY_MISS)];
    }
}
