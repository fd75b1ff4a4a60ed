<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Model\Circuit;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Model\Program;
use Rodrel\Core\Model\VehicleRun;
use Rodrel\Core\Model\VehicleSimulator;
use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/** Reads the numbers behind every check from a simulated vehicle. One object per layout. */
final class Probes
{
    /** @var array<string, float> kelvins of drives already computed: most faults leave most wheels as they were */
    private array $heats = [];

    /** Fluid head of half a metre, 10.3 kPa per metre (handbook). */
    private const HEAD_KPA = 5.15;
    /** What a piston tool pushes with and how fast (handbook). */
    private const TOOL_N = 1500.0;
    private const TOOL_ML_S = 1.5;
    private const TOOL_S = 4.0;
    private const OPEN_S = 4.0;
    private const SOUND_BAND_N = 15.0;
    private const AIR_C = 15.0;

    public function __construct(private readonly Layout $layout, private readonly VehicleSimulator $simulator)
    {
    }

    /** Effort at the tread above the layout's own, N, by hand. */
    public function effortN(VehicleRun $run, VehicleRun $sound, Corner $corner, int $sample): float
    {
        return max(0.0, $run->torqueNm($corner, $sample) - $sound->torqueNm($corner, $sample)) / $this->layout->tyreRadiusM;
    }

    public function worstEffortN(VehicleRun $run, VehicleRun $sound, int $sample): float
    {
        return max(array_map(fn (Corner $corner): float => $this->effortN($run, $sound, $corner, $sample), Corner::cases()));
    }

    /** How far the pedal goes on down between 5.4 s and the end of a hold, mm. */
    public function sinkMm(VehicleRun $hold): float
    {
        return max(0.0, $hold->travelMm(2) - $hold->travelMm(1));
    }

    /**
     * A joint opened on a fresh trap.
     *
     * @return array{before_n: float, kpa: float, after_n: float} effort before, pressure at the wheel when opened, effort after
     */
    public function opened(VehicleRun $run, VehicleRun $sound, Corner $corner, string $joint): array
    {
        $kpa = $run->wheelKpa($corner, Program::AFTER_6_S);
        $before = $this->effortN($run, $sound, $corner, Program::AFTER_6_S);
        if ($kpa < 2.0) {
            return ['before_n' => $before, 'kpa' => max(0.0, $kpa), 'after_n' => $before];
        }
        [$circuit, $state] = $this->simulator->open($run, Program::AFTER_6_S, $corner, $joint, self::OPEN_S);
        $sound = $sound->torqueNm($corner, Program::AFTER_6_S);

        return ['before_n' => $before, 'kpa' => $kpa, 'after_n' => max(0.0, $state->torqueNm($circuit, $corner->value) - $sound) / $this->layout->tyreRadiusM];
    }

    /** mL/s out of an open bleeder by the reservoir's head alone: head over the series resistance toward the wheel. */
    public function openLineMlPerS(VehicleRun $run, Corner $corner): float
    {
        $circuit = $run->circuits[$this->layout->chamberOf($corner)->id];
        $supply = Circuit::G_CUP + ($circuit->restMl > 0.0 ? 0.0 : Circuit::G_PORT);
        $resistance = 1.0 / $supply + 1.0 / Circuit::G_OPENED;
        for ($node = $circuit->wheelNode[$corner->value]; $node > 0; $node = $circuit->parent[$node]) {
            $resistance += 1.0 / max($circuit->forward[$node], 1e-12);
        }

        return self::HEAD_KPA / $resistance;
    }

    /**
     * A piston pushed back, pedal free: how far in 4 s with the bleeder shut, what force is left 5 s after
     * stopping, and what it takes with the bleeder open.
     *
     * @return array{moved_mm: float, left_share: float, open_n: float}
     */
    public function pushBack(VehicleRun $run, Corner $corner): array
    {
        $circuit = $run->circuits[$this->layout->chamberOf($corner)->id];
        $friction = $circuit->friction[$corner->value];
        $hold = max(0.0, $friction->holdN - self::SOUND_BAND_N);
        $toolKpa = max(0.0, self::TOOL_N - $hold) / (0.1 * $friction->areaCm2);
        $resistance = 1.0 / Circuit::G_PORT;
        $opening = 0.0;
        for ($node = $circuit->wheelNode[$corner->value]; $node > 0; $node = $circuit->parent[$node]) {
            $resistance += 1.0 / max($circuit->return[$node], 1e-12);
            $opening += $circuit->hold[$node];
        }
        $flow = min(self::TOOL_ML_S, max(0.0, $toolKpa - $opening) / $resistance);
        $stiffness = $circuit->stiffness[$circuit->wheelNode[$corner->value]];
        $share = $toolKpa > 0.0 ? min(1.0, $opening / $toolKpa) : 0.0;
        $left = $share + (1.0 - $share) * exp(-5.0 / ($resistance * $stiffness));

        return ['moved_mm' => 10.0 * $flow * self::TOOL_S / $friction->areaCm2, 'left_share' => $left, 'open_n' => $hold];
    }

    /**
     * Kelvins over the air of a rotor or drum at the end of a drive: base drag, what the last press left behind as it
     * fades, and this wheel's part of every stop.
     */
    public function heatK(VehicleRun $run, Corner $corner, Drive $drive): float
    {
        $brake = $this->layout->brake($corner);
        $torque = static fn (Corner $c): float => max(0.0, $run->torqueNm($c, Program::HELD));
        $all = array_sum(array_map($torque, Corner::cases()));
        $drag = fn (float $sincePress): float => $brake->baseDragNm + $this->dragNm($run, $corner, $sincePress);
        $wheel = $corner->isFront() ? ThermalWheel::front() : ThermalWheel::rear();
        $stop = $drive->stopJoule($this->layout->massKg) * ($all > 0.0 ? $torque($corner) / $all : 0.0);

        $key = \sprintf('%s %d %.4g %.4g', $drive->id, $corner->isFront(), $stop, $brake->baseDragNm);
        foreach (array_keys(Program::SINCE_OFF_S) as $sample) {
            $key .= \sprintf(' %.4g', $run->torqueNm($corner, $sample));
        }

        return $this->heats[$key] ??= $wheel->afterDrive($drive, $drag, $stop, $this->layout->tyreRadiusM, self::AIR_C);
    }

    /** Drag left at a time after a press, straight between the samples. */
    private function dragNm(VehicleRun $run, Corner $corner, float $sincePress): float
    {
        $before = [0.0, $run->torqueNm($corner, Program::AFTER_4_S)];
        foreach (Program::SINCE_OFF_S as $sample => $at) {
            $here = [$at, $run->torqueNm($corner, $sample)];
            if ($sincePress <= $at) {
                return $before[1] + ($here[1] - $before[1]) * ($sincePress - $before[0]) / max(1e-9, $at - $before[0]);
            }
            $before = $here;
        }

        return $before[1];
    }

    public function pinBandN(VehicleRun $run, Corner $corner): float
    {
        return $run->circuits[$this->layout->chamberOf($corner)->id]->friction[$corner->value]->pinsN;
    }

    public function bracketBandN(Effects $effects, Corner $corner): float
    {
        return $effects->value('brake@'.$corner->value, 'bracket', 0.0);
    }
}
