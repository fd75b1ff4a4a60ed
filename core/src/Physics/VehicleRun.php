<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/** A simulated vehicle at the sample moments of a program. */
final readonly class VehicleRun
{
    /** A foot that presses no harder is off: times of presses are sums (N). */
    private const FOOT_OFF_N = 1e-6;

    /**
     * @param array<string, Circuit> $circuits by chamber
     * @param array<string, list<CircuitState>> $states by chamber, one per sample
     * @param array<string, string> $keys identity of each circuit's run
     * @param list<float> $givenMm way of the push-rod that moves no piston, one per sample
     */
    public function __construct(
        private Layout $layout,
        public Program $program,
        public array $circuits,
        public array $states,
        public array $keys,
        public Effects $effects,
        public array $givenMm = [],
    ) {
    }

    public function wheelKpa(Corner $corner, int $sample): float
    {
        $chamber = $this->layout->chamberOf($corner)->id;

        return $this->states[$chamber][$sample]->wheelKpa($this->circuits[$chamber], $corner->value);
    }

    public function chamberKpa(string $chamber, int $sample): float
    {
        return $this->states[$chamber][$sample]->kpa[0];
    }

    /** Friction torque in N·m, without the base drag of a sound brake. */
    public function torqueNm(Corner $corner, int $sample): float
    {
        $chamber = $this->layout->chamberOf($corner)->id;

        return $this->states[$chamber][$sample]->torqueNm($this->circuits[$chamber], $corner->value);
    }

    /** Pedal travel in mm from its own rest; 0 with the foot off. See `docs/hydraulics.md`. */
    public function travelMm(int $sample): float
    {
        if ($this->program->foot->at($this->program->sampleAt[$sample]) <= self::FOOT_OFF_N) {
            return 0.0;
        }
        $start = $moved = 0.0;
        foreach ($this->circuits as $chamber => $circuit) {
            $start += $circuit->piston->startMl;
            $moved += $this->states[$chamber][$sample]->pistonMl - $circuit->piston->startMl;
        }
        $area = $this->layout->masterAreaCm2() * CircuitBuilder::boreShare($this->effects) ** 2;

        return $this->layout->pedal->ratio
            * (max(0.0, $this->layout->pedal->freeMm - (10.0 * $start) / $area)
                + (10.0 * $moved) / $area
                + ($this->givenMm[$sample] ?? 0.0));
    }
}
