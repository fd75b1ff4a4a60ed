<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Station;
use Rodrel\Core\Vehicle\Lift;

/** From where the technician and the vehicle stand to where a check can be made, in minutes. */
final readonly class Way
{
    /** @param array<string, Station> $stations */
    public function __construct(private CarState $car, private Times $times, private array $stations)
    {
    }

    public function minutes(Check $check): float
    {
        return $this->walk($check)
            + $this->lift($check)
            + $this->helper($check)
            + $this->bleed($check)
            + $this->together($check);
    }

    /** Whether it is made right where the technician stands. */
    public function isHere(Check $check): bool
    {
        return $this->walk($check) + $this->lift($check) <= 0.0;
    }

    /** Walking there. */
    private function walk(Check $check): float
    {
        return $check->station === $this->car->last?->station
            ? 0.0
            : $this->stations[$check->station]->walkMinutes ?? 0.0;
    }

    /** Lifting and lowering, wheels off and on. */
    public function lift(Check $check): float
    {
        $wanted = $check->demand->lift;
        $now = $this->car->lift->level();
        if ($wanted->level() > $now) {
            return ($this->car->onGround() ? $this->times->raiseMinutes : 0.0)
                + (Lift::WheelsOff === $wanted ? $this->times->wheelsOffMinutes : 0.0);
        }

        return Lift::Ground === $wanted && !$this->car->onGround()
            ? $this->times->raiseMinutes + (Lift::WheelsOff === $this->car->lift ? $this->times->wheelsOffMinutes : 0.0)
            : 0.0;
    }

    private function helper(Check $check): float
    {
        return $check->manner->helper && true !== $this->car->last?->manner->helper ? $this->times->helperMinutes : 0.0;
    }

    /** Putting together first what other checks left apart. */
    public function together(Check $check): float
    {
        return $check->manner->presses() || Lift::Ground === $check->demand->lift ? array_sum($this->car->apart) : 0.0;
    }

    /** What gets opened is bled again. */
    private function bleed(Check $check): float
    {
        return null !== $check->demand->wake->opens && !$this->car->opened ? $this->times->bleedMinutes : 0.0;
    }
}
