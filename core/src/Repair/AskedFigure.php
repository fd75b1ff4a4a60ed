<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Quantity\Quantity;

/** The figure that is typed with a step: a torque, a gap. */
final readonly class AskedFigure
{
    /**
     * @param array{float, float} $typical band in core units, until the vehicle's own is typed
     * @param bool $holdPoint somebody looks at it a second time
     */
    public function __construct(public Quantity $measures, public array $typical, public bool $holdPoint)
    {
    }
}
