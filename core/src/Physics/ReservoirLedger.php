<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Layout;

/**
 * What each chamber of the reservoir loses on an ordinary day, and where to: leaks under the pressure of gentle stops
 * and the reservoir's head, the rear seal while the engine runs, and what goes by ways that no brake pressure moves.
 * See
 * `docs/hydraulics.md`, "The reservoir's ledger".
 */
final readonly class ReservoirLedger
{
    /** An ordinary day: seconds of gentle braking, of running engine, of standing (estimate; half to double). */
    private const BRAKED_S = 600.0;
    private const ENGINE_S = 3600.0;
    private const DAY_S = 86400.0;
    /** Fluid head of half a metre at 10.3 kPa per metre (kPa; handbook). */
    private const HEAD_KPA = 5.15;

    /**
     * @param array<string, float> $outside mL a day that drip, by chamber
     * @param array<string, float> $inside mL a day that nobody sees drip, by chamber
     */
    private function __construct(private array $outside, private array $inside)
    {
    }

    /** @param VehicleRun $stop a gentle stop of the same vehicle */
    public static function of(Layout $layout, Effects $effects, VehicleRun $stop, Vacuum $vacuum): self
    {
        $outside = $inside = [];
        foreach ($stop->circuits as $chamber => $circuit) {
            $outside[$chamber] = $inside[$chamber] = 0.0;
            foreach ($circuit->leaky as $node => $leak) {
                $kpa = max(0.0, $stop->states[$chamber][Program::WHOLE_STOP]->kpa[$node]);
                $outside[$chamber] += $leak * ($kpa * self::BRAKED_S + self::HEAD_KPA * self::DAY_S);
            }
        }
        // the space behind the primary cup sees the reservoir's head and the booster's vacuum
        $first = $layout->chambers[0]->id;
        $inside[$first]
            += $effects->value('master', null, 'rear_seal', 0.0) * ($vacuum->kpa + self::HEAD_KPA) * self::ENGINE_S
            + $effects->value('reservoir', null, 'lost_ml_day', 0.0);

        return new self($outside, $inside);
    }

    public function lostMlADay(string $chamber): float
    {
        return ($this->outside[$chamber] ?? 0.0) + ($this->inside[$chamber] ?? 0.0);
    }

    public function outsideMlADay(): float
    {
        return array_sum($this->outside);
    }

    public function allMlADay(): float
    {
        return array_sum($this->outside) + array_sum($this->inside);
    }
}
