<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/**
 * A vacuum booster in the line between master and wheels. Output pressure is input pressure up to the cut-in, then
 * rises by the ratio until the diaphragm has given all it can: input + area ratio · vacuum. Without vacuum it passes
 * the
 * input through. Its slave piston moves as much fluid as it is given, so the pedal's way is that of the wheels.
 */
final readonly class Remote
{
    /** What it is given on the bench (kPa). */
    public const BENCH_KPA = 2000.0;

    /**
     * @param float $cutInKpa input at which its valve opens
     * @param float $ratio output over input rise above that
     * @param float $areaRatio diaphragm over slave piston
     */
    private function __construct(public float $cutInKpa, public float $ratio, public float $areaRatio)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $remote = new self($shape->positive('cut_in_kpa'), $shape->positive('ratio'), $shape->positive('area_ratio'));
        if ($remote->ratio < 1.0) {
            $shape->miss('ratio', 'a booster that helps has a ratio above 1');
        }

        return $remote;
    }

    /**
     * Output in kPa.
     *
     * @param float $gainShare of what it should add: 1 as rated, 0 passes the input through
     */
    public function outKpa(float $inKpa, float $vacuumKpa, float $gainShare = 1.0): float
    {
        $byRatio = ($this->ratio - 1.0) * max(0.0, $inKpa - $this->cutInKpa);

        return $inKpa + $gainShare * min($byRatio, $this->mostKpa($vacuumKpa));
    }

    /** Input in kPa above which it adds no more. */
    public function runsOutKpa(float $vacuumKpa): float
    {
        return $this->ratio > 1.0 ? $this->cutInKpa + $this->mostKpa($vacuumKpa) / ($this->ratio - 1.0) : \INF;
    }

    /** What the diaphragm can add at most, kPa: above it is run-out. */
    public function mostKpa(float $vacuumKpa): float
    {
        return $this->areaRatio * max(0.0, $vacuumKpa);
    }
}
