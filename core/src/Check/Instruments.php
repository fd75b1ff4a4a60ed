<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Physics\Band;
use Rodrel\Core\Physics\Circuit;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\Friction;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleRun;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Road\Road;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/** What several probes have in common: numbers read from the runs of simulated vehicles. One object per layout. */
final class Instruments
{
    /** Fluid head of half a metre at 10.3 kPa per metre (kPa; handbook). */
    private const HEAD_KPA = 5.15;
    /**
     * What a piston tool pushes with (N), how fast at most (mL/s), how long it is watched, and how long after (s;
     * handbook).
     */
    private const TOOL_N = 1500.0;
    private const TOOL_ML_S = 1.5;
    /** A spindle that is leaned on gives no more (N; estimate). */
    private const MOST_N = 6000.0;
    private const TOOL_S = 4.0;
    private const PUSHED_S = 5.0;
    /** A millimetre in five seconds: fluid has time to go, a seal's grip does not change (mm/s; estimate). */
    private const SLOWLY_MM_S = 0.2;
    /** A joint stands open for so long while the wheel is tried (s; handbook). */
    private const OPEN_S = 4.0;
    /** Less than this at the wheel and opening changes nothing (kPa; estimate). */
    private const NOTHING_TRAPPED_KPA = 2.0;
    /** The day that drives are computed for; readings are kelvins over it (°C; estimate). */
    public const AIR_C = 15.0;
    /** Less than this at the tread turns with one finger (N; handbook). */
    private const ONE_FINGER_N = 25.0;
    /** No wheel is called free sooner than this after letting go (s), nor given up later (s; handbook). */
    private const AT_ONCE_S = 0.3;
    private const NEVER_S = 1000.0;
    /** A brisk stop uses so much of the hardest worked wheel's grip (share; estimate). */
    private const BRISK = 0.9;
    /** Glycol fluid, per kelvin (handbook). */
    private const EXPANSION_PER_K = 8e-4;
    /** The fluid in the caliper warms by this share of the rotor's excess (handbook). */
    private const FLUID_SHARE = 0.35;
    /** No circuit traps more (kPa). */
    private const MOST_TRAPPED_KPA = 20000.0;

    /** Less than a drop in a minute is none (mL/s; estimate). */
    private const NO_STREAM = 5e-4;

    /** @var array<string, float> kelvins of drives already computed: most faults leave most wheels as they were */
    private array $heats = [];
    /** @var \WeakMap<VehicleRun, array<string, non-empty-list<array{float, float}>>> by corner */
    private \WeakMap $fading;

    public readonly VehicleSimulator $simulator;
    public readonly Plugs $plugs;
    public readonly Programs $programs;

    public function __construct(
        public readonly Layout $layout,
        float $tolerance = 1.0,
        private readonly float $airC = self::AIR_C,
    ) {
        $this->fading = new \WeakMap();
        $this->simulator = new VehicleSimulator($layout, $tolerance);
        $this->plugs = new Plugs($layout);
        $this->programs = new Programs();
    }

    /** Effort at the tread above the layout's own, N, by hand. */
    public function effortN(VehicleRun $run, VehicleRun $sound, Corner $corner, int $sample): float
    {
        return max(0.0, $run->torqueNm($corner, $sample) - $sound->torqueNm($corner, $sample))
            / $this->layout->body->tyreRadiusM;
    }

    /**
     * How far the pedal goes on down from one second after the press to 5 or 15 s or the end of a hold, or within the
     * hold again, mm.
     */
    public function sinkMm(VehicleRun $hold, string $at): float
    {
        [$from, $to] = match ($at) {
            '5' => [Program::HOLD_1_S, Program::HOLD_5_S],
            '15' => [Program::HOLD_1_S, Program::HOLD_15_S],
            'again' => [Program::AGAIN_1_S, Program::AGAIN_15_S],
            default => [Program::HOLD_1_S, Program::HOLD_END],
        };

        return max(0.0, $hold->travelMm($to) - $hold->travelMm($from));
    }

    /** Way of the pedal in mm until every piston has covered its port, with so much slack in the push-rod. */
    public function freePlayMm(VehicleRun $run, float $slackMm): float
    {
        $start = 0.0;
        foreach ($run->circuits as $circuit) {
            $start += $circuit->piston->startMl;
        }
        $pedal = $this->layout->pedal;

        return $pedal->ratio * (max(0.0, $pedal->freeMm - 10.0 * $start / $this->layout->masterAreaCm2()) + $slackMm);
    }

    /** ln of the left front bleeder's stream over the right one's. */
    public function streams(VehicleRun $run): float
    {
        return log(
            max(self::NO_STREAM, $this->openLineMlPerS($run, Corner::LeftFront))
            / max(self::NO_STREAM, $this->openLineMlPerS($run, Corner::RightFront)),
        );
    }

    /** °C of the fluid in a wheel whose rotor is so many kelvins over the air. */
    public function fluidC(float $excessK): float
    {
        return $this->airC + self::FLUID_SHARE * $excessK;
    }

    /** A joint opened on a fresh trap. */
    public function opened(VehicleRun $run, VehicleRun $sound, Corner $corner, Joint $joint): Trap
    {
        $kpa = $run->wheelKpa($corner, Program::AFTER_6_S);
        $before = $this->effortN($run, $sound, $corner, Program::AFTER_6_S);
        if ($kpa < self::NOTHING_TRAPPED_KPA) {
            return new Trap($before, max(0.0, $kpa), $before);
        }
        [$circuit, $state] = $this->simulator->open($run, Program::AFTER_6_S, $corner, $joint, self::OPEN_S);
        $left = $state->torqueNm($circuit, $corner->value) - $sound->torqueNm($corner, Program::AFTER_6_S);

        return new Trap($before, $kpa, max(0.0, $left) / $this->layout->body->tyreRadiusM);
    }

    /** @return array<string, float> kPa by joint of a wheel's line, from the wheel upstream */
    public function jointsKpa(VehicleRun $run, Corner $corner, int $sample): array
    {
        $circuit = $this->circuitOf($run, $corner);
        $chamber = $this->layout->chamberOf($corner)->id;
        $hose = $this->layout->hoseOf($corner);
        $nodes = [
            Joint::Wheel->value => $corner,
            Joint::HoseTop->value => $hose,
            Joint::ModulatorOutlet->value => $hose,
            Joint::MasterOutlet->value => $chamber,
        ];
        $kpa = [];
        foreach ($nodes as $joint => $place) {
            $name = CircuitBuilder::node($joint, $place);
            if ($circuit->has($name)) {
                $kpa[$joint] = max(0.0, $run->states[$chamber][$sample]->kpa[$circuit->node($name)]);
            }
        }

        return $kpa;
    }

    /**
     * mL/s out of an open bleeder, or of the pipe's end at the top of the hose, by the reservoir's head alone: head
     * over the series resistance toward it.
     */
    public function openLineMlPerS(VehicleRun $run, Corner $corner, Joint $joint = Joint::Wheel): float
    {
        $piston = $this->circuitOf($run, $corner)->piston;
        $supply = Circuit::G_CUP + ($piston->portOpens() ? Circuit::G_PORT : 0.0);

        return self::HEAD_KPA / (1.0 / $supply + $this->lineResistance($run, $corner, $joint));
    }

    /** The same in the first instant of a press: the foot's pressure stands at the master's outlet. */
    public function pressedLineMlPerS(VehicleRun $run, Corner $corner, Joint $joint): float
    {
        $chamber = $this->layout->chamberOf($corner)->id;

        return max(0.0, $run->chamberKpa($chamber, Program::HELD)) / $this->lineResistance($run, $corner, $joint);
    }

    /** kPa·s/mL from the master's outlet to an opened joint, with what the joint itself takes. */
    private function lineResistance(VehicleRun $run, Corner $corner, Joint $joint): float
    {
        $circuit = $this->circuitOf($run, $corner);
        $place = Joint::HoseTop === $joint ? $this->layout->hoseOf($corner) : $corner;
        $resistance = 1.0 / Circuit::G_OPENED;
        $from = $circuit->node(CircuitBuilder::node($joint->value, $place));
        for ($node = $from; $node > 0; $node = $circuit->parent[$node]) {
            $resistance += 1.0 / max($circuit->forward[$node], 1e-12);
        }

        return $resistance;
    }

    /**
     * A piston pushed back with a tool, pedal free, pads out: their bracket has no part in it. A piston that is stuck
     * moves no easier in than out.
     *
     * @param float $bracketN friction of the pads in their bracket, which the run's bands hold
     */
    public function pushBack(VehicleRun $run, Corner $corner, float $bracketN): PushBack
    {
        $circuit = $this->circuitOf($run, $corner);
        $friction = $circuit->friction[$corner->value];
        $stuck = max($friction->band->holdN, $friction->band->applyN) - $bracketN;
        $hold = max(0.0, $stuck - Band::SOUND_N);
        $toolKpa = max(0.0, self::TOOL_N - $hold) / (0.1 * $friction->areaCm2);
        $resistance = 1.0 / ($circuit->piston->portOpens() ? Circuit::G_PORT : 1e-9);
        $opening = 0.0;
        for ($node = $circuit->wheelNode[$corner->value]; $node > 0; $node = $circuit->parent[$node]) {
            $resistance += 1.0 / max($circuit->return[$node], 1e-12);
            $opening += $circuit->hold[$node];
        }
        $flow = min(self::TOOL_ML_S, max(0.0, $toolKpa - $opening) / $resistance);
        $stiffness = $circuit->stiffness[$circuit->wheelNode[$corner->value]];
        $share = $toolKpa > 0.0 ? min(1.0, $opening / $toolKpa) : 0.0;
        $left = $share + (1.0 - $share) * exp(-self::PUSHED_S / ($resistance * $stiffness));

        // mL/s = mm/s · cm² / 10, N = 0.1 · kPa · cm²
        $behindKpa = $opening + self::SLOWLY_MM_S * 0.1 * $friction->areaCm2 * $resistance;
        $slowN = min(self::MOST_N, max(Band::SOUND_N, $stuck) + 0.1 * $behindKpa * $friction->areaCm2);

        return new PushBack((10.0 * $flow * self::TOOL_S) / $friction->areaCm2, $left, $hold, $slowN);
    }

    /**
     * Kelvins over the air of a rotor or drum at the end of a drive: base drag, what the last press left behind as it
     * fades, and this wheel's part of every stop as drivers make it, a gentle one. Of four figures each, so that drives
     * which differ by less are one, whichever was asked first.
     *
     * @param VehicleRun $stop Program::stop()
     */
    public function heatK(
        VehicleRun $run,
        VehicleRun $stop,
        Corner $corner,
        Drive $drive,
        float $extraNm = 0.0,
    ): float {
        $brake = $this->layout->brake($corner);
        $torque = static fn (Corner $c): float => max(0.0, $stop->torqueNm($c, Program::WHOLE_STOP));
        $all = array_sum(array_map($torque, Corner::cases()));
        $base = $brake->lining->baseDragNm + $extraNm;
        $fading = $this->fadingTo4($run, $corner);
        $drag = static fn (float $sincePress): float => $base + self::dragNm($fading, $sincePress);
        $wheel = ThermalWheel::of($brake);
        $share = $all > 0.0 ? $torque($corner) / $all : 0.0;
        $joule = (float) \sprintf('%.4g', $drive->stopJoule($this->layout->body->massKg) * $share);
        $kind = [$drive->id, $brake->lining->rotorKg, $brake->lining->lossShare, $joule, $base];
        $key = implode(' ', [...$kind, ...array_column($fading, 1)]);

        return $this->heats[$key] ??= $wheel->afterDrive(
            $drive,
            $drag,
            $joule,
            $this->layout->body->tyreRadiusM,
            $this->airC,
        );
    }

    /**
     * Torque at a wheel when its circuit's fluid has warmed behind a closed port: the warmed fluid takes
     * 8e-4·V·ΔT mL more in each wheel, ΔT 0.35 of the rotor's excess, and the whole circuit comes to one pressure.
     *
     * @param array<string, float> $excessK rotor over the air, by corner
     */
    public function hotTorqueNm(VehicleRun $run, Corner $corner, array $excessK): float
    {
        $chamber = $this->layout->chamberOf($corner)->id;
        $circuit = $run->circuits[$chamber];
        $state = $run->states[$chamber][Program::AFTER_300_S];
        if ($circuit->piston->portOpens()) {
            return $state->torqueNm($circuit, $corner->value);
        }
        $volume = 0.0;
        foreach ($state->kpa as $node => $kpa) {
            $volume += $circuit->volume($node, $kpa);
        }
        foreach (array_keys($circuit->wheelNode) as $id) {
            $volume
                += self::EXPANSION_PER_K
                * $this->layout->brake(Corner::from($id))->fluidMl()
                * self::FLUID_SHARE
                * $excessK[$id];
        }
        $low = 0.0;
        $high = self::MOST_TRAPPED_KPA;
        for ($i = 0; $i < 40; ++$i) {
            $kpa = ($low + $high) / 2.0;
            $sum = 0.0;
            foreach (array_keys($state->kpa) as $node) {
                $sum += $circuit->volume($node, $kpa);
            }
            [$low, $high] = $sum < $volume ? [$kpa, $high] : [$low, $kpa];
        }
        $friction = $circuit->friction[$corner->value];
        $inner = $friction->inner($state->inner[$corner->value], $low);

        return $friction->torqueNm($inner, $friction->outer($state->outer[$corner->value], $inner));
    }

    /** Seconds until a wheel turns with one finger; 1000 where it has not in five minutes. */
    public function freeAfterS(VehicleRun $run, VehicleRun $sound, Corner $corner): float
    {
        $before = self::AT_ONCE_S;
        foreach (Program::SINCE_OFF_S as $sample => $at) {
            if ($this->effortN($run, $sound, $corner, $sample) < self::ONE_FINGER_N) {
                return self::AT_ONCE_S === $before ? $before : sqrt($before * $at);
            }
            $before = $at;
        }

        return self::NEVER_S;
    }

    public function brakeForceN(VehicleRun $run, Corner $corner, int $sample): float
    {
        return max(0.0, $run->torqueNm($corner, $sample)) / $this->layout->body->tyreRadiusM;
    }

    /** Positive to the left; see `Road`. */
    public function pullIndex(VehicleRun $stop, int $sample): float
    {
        return Road::dry($this->layout)->pullIndex($this->torques($stop, $sample));
    }

    /**
     * Braking force over what the road under each wheel can take, in a stop so brisk that the hardest worked wheel of a
     * sound vehicle uses nine tenths of its grip; 1 is the edge of locking.
     *
     * @return array<string, float> by corner
     */
    public function gripsUsed(VehicleRun $stop, VehicleRun $sound): array
    {
        $road = Road::dry($this->layout);
        $brisk = self::BRISK / max(0.01, ...array_values($road->gripUsed($this->torques($sound, Program::WHOLE_STOP))));

        return array_map(
            static fn (float $used): float => $brisk * $used,
            $road->gripUsed($this->torques($stop, Program::WHOLE_STOP)),
        );
    }

    /** mL/kPa at the hose: a hose that grows in the hand. */
    public function hoseMlPerKpa(VehicleRun $run, Corner $corner): float
    {
        $circuit = $this->circuitOf($run, $corner);

        return $circuit->stiffness[$circuit->node(CircuitBuilder::node('hose-top', $this->layout->hoseOf($corner)))];
    }

    /** @return array<string, float> N·m by corner */
    private function torques(VehicleRun $run, int $sample): array
    {
        $torques = [];
        foreach (Corner::cases() as $corner) {
            $torques[$corner->value] = $run->torqueNm($corner, $sample);
        }

        return $torques;
    }

    /** Drag in the minute after a press, on average: what dust and smell remember of ordinary driving, N·m. */
    public function meanDragNm(VehicleRun $run, Corner $corner): float
    {
        $fading = $this->fading($run, $corner);
        $sum = 0.0;
        for ($t = 1; $t < 60; $t += 2) {
            $sum += self::dragNm($fading, (float) $t);
        }

        return $sum / 30.0;
    }

    /** @return non-empty-list<array{float, float}> the same to four figures: what is nearly the same is heated once */
    private function fadingTo4(VehicleRun $run, Corner $corner): array
    {
        $of = $this->fading[$run] ?? [];
        if (!isset($of[$corner->value])) {
            $of[$corner->value] = array_map(
                static fn (array $at): array => [$at[0], (float) \sprintf('%.4g', $at[1])],
                $this->fading($run, $corner),
            );
            $this->fading[$run] = $of;
        }

        return $of[$corner->value];
    }

    /** @return non-empty-list<array{float, float}> seconds since the foot is off, and the drag then in N·m */
    private function fading(VehicleRun $run, Corner $corner): array
    {
        $fading = [[0.0, $run->torqueNm($corner, Program::AFTER_4_S)]];
        foreach (Program::SINCE_OFF_S as $sample => $at) {
            $fading[] = [$at, $run->torqueNm($corner, $sample)];
        }

        return $fading;
    }

    /**
     * Drag left at a time after a press, straight between the samples.
     *
     * @param non-empty-list<array{float, float}> $fading
     */
    private static function dragNm(array $fading, float $sincePress): float
    {
        $before = $fading[0];
        foreach ($fading as $here) {
            if ($sincePress <= $here[0]) {
                return $before[1]
                    + (($here[1] - $before[1]) * ($sincePress - $before[0])) / max(1e-9, $here[0] - $before[0]);
            }
            $before = $here;
        }

        return $before[1];
    }

    public function frictionOf(VehicleRun $run, Corner $corner): Friction
    {
        return $this->circuitOf($run, $corner)->friction[$corner->value];
    }

    private function circuitOf(VehicleRun $run, Corner $corner): Circuit
    {
        return $run->circuits[$this->layout->chamberOf($corner)->id];
    }
}
