<?php

declare(strict_types=1);

namespace App\Instrument;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;

/** What an instrument would read on a hidden vehicle: on the command line and on its page alike. */
final readonly class SimulatedInstrument
{
    /** Over what a temperature is told (°C). */
    private const AIR_C = 15.0;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return array<string, CheckAt> wherever this vehicle has a number for an instrument */
    public function checks(Layout $layout): array
    {
        $checks = [];
        foreach ($this->catalogue->checks->all as $check) {
            foreach ($check->everywhere($layout) as $at) {
                if ([] !== $this->units($at)) {
                    $checks[(string) $at] = $at;
                }
            }
        }

        return $checks;
    }

    /** @return array<string, array{Unit, float}> unit and figure of each row that takes a number */
    public function reads(HiddenVehicle $vehicle, CheckAt $at): array
    {
        $heat = $this->catalogue->checks->of($at)->isHeat();
        $reads = [];
        foreach (array_intersect_key($vehicle->answer($at), $units = $this->units($at)) as $row => $answer) {
            if (\is_float($answer)) {
                $unit = $units[$row];
                $reads[$row] = [$unit, $unit->fromCore($heat ? self::AIR_C + $answer : $answer)];
            }
        }

        return $reads;
    }

    /** @return array<string, Unit> by row */
    private function units(CheckAt $at): array
    {
        $units = [];
        foreach ($this->catalogue->checks->of($at)->rows as $row) {
            $unit = $row->observer->typed->unit ?? null;
            if (null !== $unit) {
                $units[$row->id] = $unit;
            }
        }

        return $units;
    }
}
