<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/** What rubs and what turns at one wheel. */
final readonly class Lining
{
    /**
     * @param float $friction μ
     * @param float $radiusM at which it acts
     * @param float $springN that draws the shoes home
     * @param float $baseDragNm of a sound brake
     * @param float $drivelineNm what turns with the wheel when it is spun by hand
     * @param float $rotorKg iron that takes the heat
     * @param float $lossShare of what as large a free front rotor gives off
     */
    private function __construct(
        public float $friction,
        public float $radiusM,
        public float $springN,
        public float $baseDragNm,
        public float $drivelineNm,
        public float $rotorKg,
        public float $lossShare,
    ) {
    }

    /** What a hand at the tread feels of a sound wheel, N. */
    public function ownEffortN(float $tyreRadiusM): float
    {
        return ($this->baseDragNm + $this->drivelineNm) / $tyreRadiusM;
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->positive('friction'),
            $shape->positive('radius_m'),
            $shape->notNegative('spring_n'),
            $shape->notNegative('base_drag_nm'),
            $shape->notNegative('driveline_nm'),
            $shape->positive('rotor_kg'),
            $shape->positive('loss_share'),
        );
    }
}
