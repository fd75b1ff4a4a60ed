<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Trap;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Physics\Circuit;
use Rodrel\Core\Physics\CircuitState;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleRun;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

/**
 * What is read from a run, by hand: the runs are written down here, not simulated. The medium car of the handbook:
 * pedal 4 : 1 with 2 mm of play, master 22.2 mm (3.8708 cm²), tyre 0.3 m; lf and rr on the primary; a front disc
 * 0.38 · 0.112 m · (inner + outer), piston 57 mm (25.5176 cm²); a rear drum 2.3996 · N · 0.1 m.
 */
final class InstrumentsTest extends TestCase
{
    private const DISC = 0.38 * 0.112;
    private const DRUM = 2.3996 * 0.1;

    private Instruments $instruments;

    protected function setUp(): void
    {
        $this->instruments = new Instruments(World::evenPipes());
    }

    /** 12 N·m where a sound one has 3 are 9 / 0.3 = 30 N at the tread. */
    public function testEffortAtTheTread(): void
    {
        $run = $this->braked(['lf' => 12.0, 'rr' => 2.0]);
        $sound = $this->braked(['lf' => 3.0, 'rr' => 3.0]);
        self::assertEqualsWithDelta(30.0, $this->instruments->effortN($run, $sound, Corner::LeftFront, 2), 1e-6);
        self::assertSame(0.0, $this->instruments->effortN($run, $sound, Corner::RightRear, 2));
        self::assertEqualsWithDelta(40.0, $this->instruments->brakeForceN($run, Corner::LeftFront, 2), 1e-6);
        self::assertSame(0.0, $this->instruments->brakeForceN($this->braked([]), Corner::LeftFront, 2));
    }

    /** A mL of both pistons together is 4 · 10 / 3.8708 = 10.334 mm of pedal. */
    public function testTheSinkOfAHold(): void
    {
        $hold = $this->moved(Program::holdTwice(), [1.0, 1.2, 1.5, 1.5, 1.0, 1.3], [0.5, 0.5, 0.6, 1.0, 0.5, 0.5]);
        foreach (['5' => 0.2, '15' => 0.6, 'end' => 1.0, 'again' => 0.3] as $at => $ml) {
            $sink = $this->instruments->sinkMm($hold, (string) $at);
            self::assertEqualsWithDelta(10.334 * $ml, $sink, 1e-3, (string) $at);
        }
        $rises = $this->moved(Program::holdTwice(), [1.0, 0.9, 0.8, 0.7, 1.0, 0.9], [0.5, 0.5, 0.5, 0.5, 0.5, 0.5]);
        self::assertSame(0.0, $this->instruments->sinkMm($rises, '15'));
    }

    /** Pistons that start 0.2 mL forward take 0.5167 of the 2 mm; slack in the push-rod comes on top. */
    public function testTheFreePlay(): void
    {
        $start = ['chamber@primary' => ['start' => 0.1], 'chamber@secondary' => ['start' => 0.1]];
        $play = fn (array $effects, float $slack): float => $this->instruments->freePlayMm(
            $this->braked([], new Effects($effects)),
            $slack,
        );
        self::assertEqualsWithDelta(8.0, $play([], 0.0), 1e-9);
        self::assertEqualsWithDelta(4.0 * (2.0 - 0.5167 + 0.3), $play($start, 0.3), 1e-3);
        self::assertEqualsWithDelta(1.2, $play(['chamber@primary' => ['start' => 1.0]], 0.3), 1e-9, 'no play is left');
    }

    /**
     * 5.15 kPa of head over 1/(1 + 0.05) past cup and port, 1/1 at the opened joint, 1/0.8 twice, 1/0.2, 1/0.4 and
     * 1/0.15 of the hose: 18.619 kPa·s/mL. A piston off its stop covers the port: 18.667. A shut hose lets nothing run.
     * The 0.4 is a pipe of 2.5 m: one of 5 m takes 1/0.2.
     */
    public function testAnOpenLine(): void
    {
        $ml = fn (array $effects, Joint $joint = Joint::Wheel): float => $this->instruments->openLineMlPerS(
            $this->braked([], new Effects($effects)),
            Corner::LeftFront,
            $joint,
        );
        self::assertEqualsWithDelta(5.15 / 18.6190, $ml([]), 1e-5);
        self::assertEqualsWithDelta(5.15 / 18.6667, $ml(['chamber@primary' => ['rest' => 0.1]]), 1e-5);
        self::assertEqualsWithDelta(5.15 / 11.9524, $ml([], Joint::HoseTop), 1e-5);
        self::assertEqualsWithDelta(0.0, $ml(['hose@lf' => ['gf' => 0.0]]), 1e-9);
        $long = new Instruments(World::evenPipes(changes: ['pipe_m' => ['lf' => 4.0, 'rf' => 6.0]]));
        $run = $long->simulator->run(Program::press(150.0), Effects::none());
        self::assertEqualsWithDelta(5.15 / 21.1190, $long->openLineMlPerS($run, Corner::LeftFront), 1e-5);
        $streams = fn (array $effects): float => $this->instruments->streams($this->braked([], new Effects($effects)));
        self::assertEqualsWithDelta(0.0, $streams([]), 1e-9);
        // a drop a minute, 5e-4 mL/s, is the least: ln(5e-4 / 0.27660)
        self::assertEqualsWithDelta(-6.3157, $streams(['hose@lf' => ['gf' => 0.0]]), 1e-3);
        self::assertEqualsWithDelta(6.3157, $streams(['hose@rf' => ['gf' => 0.0]]), 1e-3);
    }

    /**
     * Pressed, 1000 kPa stand at the outlet: past the joint's 1/1 the line takes 18.619 − 1/(1 + 0.05) = 17.6667
     * kPa·s/mL to the bleeder and 11 to the top of the hose. A hose of a hundredth of its 0.15 adds 99 / 0.15.
     */
    public function testALinePressedOpen(): void
    {
        $ml = fn (array $effects, Joint $joint): float => $this->instruments->pressedLineMlPerS(
            $this->written(Program::press(), new Effects($effects), static function (CircuitState $state): void {
                $state->kpa[0] = 1000.0;
            }),
            Corner::LeftFront,
            $joint,
        );
        self::assertEqualsWithDelta(1000.0 / 17.6667, $ml([], Joint::Wheel), 1e-3);
        self::assertEqualsWithDelta(1000.0 / 11.0, $ml([], Joint::HoseTop), 1e-3);
        self::assertEqualsWithDelta(1000.0 / 677.6667, $ml(['hose@lf' => ['gf' => 0.0015]], Joint::Wheel), 1e-3);
        self::assertEqualsWithDelta(1000.0 / 11.0, $ml(['hose@lf' => ['gf' => 0.0015]], Joint::HoseTop), 1e-3);
    }

    /**
     * 400 N of friction, 385 more than a sound seal's 15: (1500 − 385) / 2.55176 = 437.0 kPa, far more than 1.5 mL/s
     * want through 20 + 6.667 + 2.5 + 4 + 1.25 + 1.25 = 35.667 kPa·s/mL: 4 s of it are 60 / 25.5176 = 2.351 mm. Slowly,
     * 0.2 mm/s are 0.5104 mL/s, 18.20 kPa behind it: 400 + 46.45 N. The bracket's part is taken off first.
     */
    public function testAStuckPistonPushedBack(): void
    {
        $run = $this->braked([], new Effects(['brake@lf' => ['apply' => 400.0, 'hold' => 300.0, 'bracket' => 100.0]]));
        $read = $this->instruments->pushBack($run, Corner::LeftFront, 100.0);
        self::assertEqualsWithDelta(385.0, $read->openN, 1e-6);
        self::assertEqualsWithDelta(2.3513, $read->movedMm, 1e-3);
        self::assertEqualsWithDelta(446.45, $read->slowN, 0.05);
        self::assertEqualsWithDelta(0.0, $read->leftShare, 1e-6);
        $other = $this->braked([], new Effects(['brake@lf' => ['apply' => 300.0, 'hold' => 500.0]]));
        self::assertEqualsWithDelta(485.0, $this->instruments->pushBack($other, Corner::LeftFront, 0.0)->openN, 1e-6);
        $more = $this->braked([], new Effects(['brake@lf' => ['apply' => 3000.0, 'hold' => 0.0]]));
        self::assertSame(0.0, $this->instruments->pushBack($more, Corner::LeftFront, 0.0)->movedMm, 'it does not move');
        self::assertSame(0.0, $this->instruments->pushBack($this->braked([]), Corner::LeftFront, 40.0)->openN);
    }

    /**
     * A hose that keeps 100 kPa back and lets 1e-4 past: 20 + 10 000 + 2.5 + 4 + 2.5 = 10 029 kPa·s/mL. Of 587.8 kPa
     * 487.8 push 0.04864 mL/s, 0.0762 mm in 4 s; 100/587.8 = 0.1701 stay for good, of the rest e^(−5 / 2.2064) after
     * 5 s: 0.2562. Slowly 0.5104 mL/s would want 5118 kPa and more force than a spindle gives.
     */
    public function testAHoseThatKeepsBack(): void
    {
        $run = $this->braked([], new Effects(['hose@lf' => ['gr' => 1e-4, 'hold' => 100.0]]));
        $read = $this->instruments->pushBack($run, Corner::LeftFront, 0.0);
        self::assertEqualsWithDelta(0.07625, $read->movedMm, 2e-5);
        self::assertEqualsWithDelta(0.2562, $read->leftShare, 2e-4);
        self::assertSame(6000.0, $read->slowN);
        $shut = $this->braked([], new Effects(['hose@lf' => ['gr' => 1e-4, 'hold' => 700.0]]));
        self::assertSame(0.0, $this->instruments->pushBack($shut, Corner::LeftFront, 0.0)->movedMm);
        self::assertEqualsWithDelta(1.0, $this->instruments->pushBack($shut, Corner::LeftFront, 0.0)->leftShare, 1e-9);
        $port = $this->braked([], new Effects(['chamber@primary' => ['rest' => 0.1]]));
        self::assertEqualsWithDelta(0.0, $this->instruments->pushBack($port, Corner::LeftFront, 0.0)->movedMm, 1e-5);
    }

    /**
     * Straight between the samples: 40 N·m at 1 s, 20 at 3, 10 from 4 to 30, falling to 4 at 60. The thirty odd seconds
     * add up to 40 + 20 + 13 · 10 + 15 · 7 = 295. Before the first sample it is what it is at four seconds.
     */
    public function testDragThatFades(): void
    {
        $run = $this->braked(['lf' => [500.0, 40.0, 10.0, 10.0, 10.0, 10.0, 10.0, 4.0, 0.0]]);
        self::assertEqualsWithDelta(295.0 / 30.0, $this->instruments->meanDragNm($run, Corner::LeftFront), 1e-6);
    }

    /** 25 N are one finger, 7.5 N·m. Free at once; or between the samples where it was not yet and where it is. */
    public function testWhenAWheelIsFree(): void
    {
        $sound = $this->braked([]);
        $after = fn (float ...$nm): float => $this->instruments->freeAfterS(
            $this->braked(['lf' => [500.0, ...$nm]]),
            $sound,
            Corner::LeftFront,
        );
        self::assertSame(0.3, $after(7.4, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0));
        self::assertEqualsWithDelta(2.0, $after(7.6, 7.4, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0), 1e-9);
        self::assertEqualsWithDelta(sqrt(20.0), $after(9.0, 9.0, 7.4, 0.0, 0.0, 0.0, 0.0, 0.0), 1e-9);
        self::assertEqualsWithDelta(sqrt(18000.0), $after(9.0, 9.0, 9.0, 9.0, 9.0, 9.0, 9.0, 7.4), 1e-9);
        self::assertSame(1000.0, $after(9.0, 9.0, 9.0, 9.0, 9.0, 9.0, 9.0, 9.0));
    }

    /**
     * Less than 2 kPa at a wheel is nothing trapped, and opening changes nothing. 500 kPa in the whole circuit run out
     * at the bleeder in four seconds: what is left is the seal's grip of 15 N on both pads, 1.277 N·m, of which a sound
     * one has 0.3.
     */
    public function testAJointOpenedOnATrap(): void
    {
        $trapped = function (float $kpa): VehicleRun {
            $run = $this->braked(['lf' => 100.0]);
            $state = $run->states['primary'][Program::AFTER_6_S];
            $state->kpa = array_map(static fn (): float => $kpa, $state->kpa);

            return $run;
        };
        $sound = $this->braked(['lf' => 0.3]);
        $opened = fn (float $kpa): Trap => $this->instruments->opened(
            $trapped($kpa),
            $sound,
            Corner::LeftFront,
            Joint::Wheel,
        );
        self::assertEqualsWithDelta(99.7 / 0.3, $opened(1.9)->beforeN, 1e-6);
        self::assertSame([1.9, $opened(1.9)->beforeN], [$opened(1.9)->kpa, $opened(1.9)->afterN]);
        self::assertSame(0.0, $opened(-3.0)->kpa);
        self::assertSame(500.0, $opened(500.0)->kpa);
        self::assertEqualsWithDelta((30.0 * self::DISC - 0.3) / 0.3, $opened(500.0)->afterN, 0.1);
    }

    /** Pressures at the joints from the wheel upstream; below nothing is nothing. */
    public function testPressuresAtTheJoints(): void
    {
        $run = $this->braked([]);
        $state = $run->states['primary'][Program::AFTER_4_S];
        $given = ['wheel@lf' => 90.0, 'hose-top@lf' => 40.0, 'modulator-outlet@lf' => 7.0];
        foreach ($given + ['master-outlet@primary' => -3.0] as $node => $kpa) {
            $state->kpa[$run->circuits['primary']->node($node)] = $kpa;
        }
        self::assertSame(
            ['wheel' => 90.0, 'hose-top' => 40.0, 'modulator-outlet' => 7.0, 'master-outlet' => 0.0],
            $this->instruments->jointsKpa($run, Corner::LeftFront, Program::AFTER_4_S),
        );
        self::assertSame(2e-6, $this->instruments->hoseMlPerKpa($run, Corner::LeftFront));
    }

    /**
     * Half of the torque of a gentle stop is the left front's: of ½ · 1350 · 13.889² = 130.2 kJ it gets 65.1, in 2760
     * J/K 23.6 K. A
     * wheel that never brakes gets nothing. On the way it drags with its 2.5 N·m, what fades, and what is added.
     */
    public function testTheHeatOfADrive(): void
    {
        $stop = new Drive('stop', 50.0 / 3.6, 0.1, 1);
        $gentle = $this->braked(array_map(
            static fn (float $nm): array => [0.0, $nm, ...array_fill(0, 7, 0.0)],
            ['lf' => 300.0, 'rf' => 150.0, 'lr' => 100.0, 'rr' => 50.0],
        ));
        $none = $this->braked([]);
        self::assertEqualsWithDelta(65104.0 / 2760.0, $this->heat($none, $stop, 0.0, $gentle), 0.01);
        self::assertEqualsWithDelta(0.0, $this->heat($none, $stop), 0.01);
        $coast = new Drive('coast', 15.0, 600.0, 0);
        $wheel = ThermalWheel::of(World::evenPipes()->brake(Corner::LeftFront));
        foreach ([[0.0, 0.0], [7.0, 0.0], [7.0, 11.0]] as [$left, $extra]) {
            $seen = $this->heat($this->braked(['lf' => $left]), $coast, $extra);
            $drag = static fn (): float => 2.5 + $left + $extra;
            self::assertEqualsWithDelta($wheel->afterDrive($coast, $drag, 0.0, 0.3, 15.0), $seen, 1e-6);
        }
        self::assertEqualsWithDelta(15.0 + 0.35 * 200.0, $this->instruments->fluidC(200.0), 1e-9);
    }

    /**
     * Behind a closed port warm fluid takes 8e-4 · V · 0.35 · ΔT more. So many kelvins that the circuit takes it at
     * 500 kPa: 1275.9 N on the piston less 15, twice, times 0.04256. With the port open nothing is added.
     */
    public function testHeatBehindAClosedPort(): void
    {
        $run = $this->braked([], new Effects(['chamber@primary' => ['rest' => 0.1]]));
        $circuit = $run->circuits['primary'];
        $ml = array_sum(array_map(
            static fn (int $node): float => $circuit->volume($node, 500.0) - $circuit->volume($node, 0.0),
            array_keys($circuit->names),
        ));
        $kelvins = $ml / (8e-4 * World::evenPipes()->brake(Corner::LeftFront)->fluidMl() * 0.35);
        $hot = ['lf' => $kelvins, 'rf' => 0.0, 'lr' => 0.0, 'rr' => 0.0];
        self::assertEqualsWithDelta(
            2.0 * self::DISC * (1275.88 - 15.0),
            $this->instruments->hotTorqueNm($run, Corner::LeftFront, $hot),
            0.02,
        );
        $open = $this->braked(['lf' => 9.0]);
        self::assertEqualsWithDelta(9.0, $this->instruments->hotTorqueNm($open, Corner::LeftFront, $hot), 1e-6);
    }

    /** The hardest worked wheel of a sound vehicle uses nine tenths of its grip; twice the torque is twice of it. */
    public function testGripInABriskStop(): void
    {
        $sound = $this->braked(['lf' => 300.0, 'rf' => 300.0, 'lr' => 100.0, 'rr' => 100.0]);
        $used = $this->instruments->gripsUsed($sound, $sound);
        self::assertEqualsWithDelta(0.9, max($used), 1e-9);
        self::assertEqualsWithDelta($used['lf'], $used['rf'], 1e-9);
        $none = $this->instruments->gripsUsed($this->braked([]), $sound);
        self::assertEqualsWithDelta(0.0, max($none), 1e-9);
    }

    private function heat(VehicleRun $run, Drive $drive, float $extraNm = 0.0, ?VehicleRun $stop = null): float
    {
        return $this->instruments->heatK($run, $stop ?? $this->braked([]), Corner::LeftFront, $drive, $extraNm);
    }

    /**
     * @param array<string, float|list<float>> $torques N·m by corner, the same at each sample or one for each
     */
    private function braked(array $torques, ?Effects $effects = null): VehicleRun
    {
        return $this->written(Program::press(), $effects ?? Effects::none(), static function (
            CircuitState $state,
            Circuit $circuit,
            int $sample,
        ) use ($torques): void {
            foreach (array_keys($circuit->wheelNode) as $corner) {
                $nm = $torques[$corner] ?? 0.0;
                $nm = \is_array($nm) ? $nm[$sample] : $nm;
                $state->inner[$corner] = $nm / (\in_array($corner, ['lf', 'rf'], true) ? 2.0 * self::DISC : self::DRUM);
                $state->outer[$corner] = $state->inner[$corner];
            }
        });
    }

    /**
     * @param list<float> $primary mL of the piston by sample
     * @param list<float> $secondary
     */
    private function moved(Program $program, array $primary, array $secondary): VehicleRun
    {
        return $this->written($program, Effects::none(), static function (
            CircuitState $state,
            Circuit $circuit,
            int $sample,
        ) use ($primary, $secondary): void {
            $state->pistonMl = ('primary' === $circuit->piston->chamber ? $primary : $secondary)[$sample];
        });
    }

    /** @param \Closure(CircuitState, Circuit, int): void $write what is seen at a sample */
    private function written(Program $program, Effects $effects, \Closure $write): VehicleRun
    {
        $layout = World::evenPipes();
        $built = $this->instruments->simulator->run($program, $effects);
        $states = [];
        foreach ($built->circuits as $chamber => $circuit) {
            foreach (array_keys($program->sampleAt) as $sample) {
                $states[$chamber][$sample] = CircuitState::atRest($circuit);
                $write($states[$chamber][$sample], $circuit, $sample);
            }
        }

        return new VehicleRun($layout, $program, $built->circuits, $states, $built->keys, $effects);
    }
}
