<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

/** What tells the families of drag, pull and long pedal apart: numbers from the handbook or worked by hand. */
final class FamiliesTest extends TestCase
{
    private VehicleSimulator $simulator;
    private Instruments $probes;
    private Subject $sound;

    protected function setUp(): void
    {
        $this->sound = World::subject(World::handbook());
        $this->probes = $this->sound->instruments;
        $this->simulator = $this->probes->simulator;
    }

    /**
     * The handbook's quick strokes: sound 52.4, 49.0, 48.9; 3 mL of air 82.5, 64.9, 63.4; slack shoes 62.7, 59.1,
     * 58.8; ± 2 mm.
     */
    public function testPumping(): void
    {
        foreach (
            [
                [[], [52.4, 49.0, 48.9]],
                [['wheel@lf' => ['air' => 3.0]], [82.5, null, 63.4]],
                [['wheel@lr' => ['extra_clearance' => 1.0]], [62.7, 59.1, 58.8]],
            ] as [$fault, $strokes]
        ) {
            $run = $this->simulator->run(Program::pump(), new Effects($fault));
            foreach (array_filter($strokes) as $n => $mm) {
                self::assertEqualsWithDelta($mm, $run->travelMm($n), 2.0, json_encode($fault).' stroke '.($n + 1));
            }
        }
        $air = $this->subject(['wheel@lf' => ['air' => 3.0]]);
        $slack = $this->subject(['wheel@lr' => ['extra_clearance' => 1.0]]);
        self::assertLessThan(0.85, World::probe($air, 'pump@vehicle', 'third'));
        self::assertGreaterThan(0.96, World::probe($air, 'pump@vehicle', 'after-5'), 'air is back after five seconds');
        self::assertLessThan(0.93, World::probe($slack, 'pump@vehicle', 'after-5'), 'slack shoes are not');
    }

    /** Where only words or millimetres are read the coarser run says what the fine one says. */
    public function testACoarserRunSaysTheSame(): void
    {
        foreach ([['hose@lf' => ['gf' => 1e-3, 'gr' => 3e-5]], ['wheel@lf' => ['air' => 3.0]], []] as $fault) {
            $fine = $this->simulator->run(Program::press(400.0, 5.0), new Effects($fault));
            $coarse = $this->simulator->run(Program::shortPress(400.0, 5.0), new Effects($fault));
            self::assertEqualsWithDelta(
                $fine->torqueNm(Corner::LeftFront, Program::AFTER_4_S),
                $coarse->torqueNm(Corner::LeftFront, Program::AFTER_4_S),
                0.01 * $fine->torqueNm(Corner::LeftFront, Program::HELD),
            );
            $pumped = $this->simulator->run(Program::pump(), new Effects($fault));
            $exact = (new VehicleSimulator(World::handbook(), 1.0 / 16.0))->run(Program::pump(), new Effects($fault));
            foreach ([0, 2, 3] as $stroke) {
                self::assertEqualsWithDelta($exact->travelMm($stroke), $pumped->travelMm($stroke), 0.6);
            }
        }
    }

    /** A long push-rod: hardly anything after one press, more after ten; a sound master does not mind. */
    public function testDragGrowsPressByPress(): void
    {
        $long = $this->subject([
            'chamber@primary' => ['rest' => 0.25, 'start' => 0.25],
            'chamber@secondary' => ['rest' => 0.25, 'start' => 0.25],
        ]);
        $once = World::probe($long, 'spin@vehicle', 'lf');
        $ten = World::probe($long, 'spin-series@vehicle', 'lf');
        self::assertLessThan(40.0, $once);
        self::assertGreaterThan(2.0 * $once, $ten);
        self::assertLessThan(1.0, World::probe($this->sound, 'spin-series@vehicle', 'lf'));
    }

    /**
     * A blocked port and a front rotor 100 K over the air: 8e-4·35·35 = 0.98 mL in the caliper. Clearance takes
     * 0.35 mL; with the rear cylinder's stiffness beside it the rest asks for 0.63/(0.00022 + 0.00012 + 4e-6) ≈ 1830
     * kPa
     * less what the springs let the rear cylinder take (0.55 mL from 250 kPa on): so between 0.08/0.00034 and 1830.
     */
    public function testHeatBehindABlockedPortLocksTheWheel(): void
    {
        $run = $this->simulator->run(Program::press(150.0), new Effects(['chamber@primary' => ['port' => 0.0]]));
        $excess = ['lf' => 100.0, 'rf' => 100.0, 'lr' => 0.0, 'rr' => 0.0];
        $torque = $this->probes->hotTorqueNm($run, Corner::LeftFront, $excess);
        // T = μ·r·2·0.1·p·A: 2·0.38·0.112·0.1·25.5·p = 0.2172·p
        self::assertGreaterThan(0.2172 * 235.0, $torque);
        self::assertLessThan(0.2172 * 1830.0, $torque);
        self::assertLessThan(
            2.0,
            $this->probes->hotTorqueNm($run, Corner::RightFront, $excess),
            'the other circuit breathes',
        );
    }

    /** F_stuck only as long as the vacuum lasts: held after 4 s, free after 17 s when it fades in 6 s. */
    public function testABoosterWhoseVacuumFadesLetsGo(): void
    {
        $run = $this->simulator->run(
            Program::press(150.0),
            new Effects(['booster' => ['stuck' => 250.0, 'hold_s' => 6.0]]),
        );
        // 0.1·426 kPa is the handbook's number for 250 N
        self::assertEqualsWithDelta(426.0, $run->wheelKpa(Corner::LeftFront, Program::AFTER_4_S), 8.5);
        self::assertEqualsWithDelta(0.0, $run->wheelKpa(Corner::LeftFront, Program::AFTER_17_S), 5.0);
        $sound = $this->simulator->run(Program::press(150.0), Effects::none());
        self::assertEqualsWithDelta(
            sqrt(6.0 * 17.0),
            $this->probes->freeAfterS($run, $sound, Corner::LeftFront),
            1e-9,
            'between the looks at 6 and 17 seconds',
        );
        $briefly = $this->subject(['booster' => ['stuck' => 250.0, 'hold_s' => 6.0]]);
        self::assertLessThan(1.0, World::probe($briefly, 'relay-out@vehicle', 'vented'));
        self::assertGreaterThan(90.0, World::probe($briefly, 'relay-out@vehicle', 'hand-pump'));
    }

    /** A slow right front: a jerk to the left that straightens. A tacky left rear: a steady pull and an early lock. */
    public function testAPullHasADirectionAndATime(): void
    {
        $slow = $this->subject(['hose@rf' => ['gf' => 1e-3, 'gr' => 1e-3]]);
        self::assertGreaterThan(0.25, World::probe($slow, 'pull@vehicle', 'first'));
        self::assertLessThan(
            0.5 * World::probe($slow, 'pull@vehicle', 'first'),
            abs(World::probe($slow, 'pull@vehicle', 'whole')),
        );
        $tacky = $this->subject(['brake@lr' => ['friction' => 0.55]]);
        self::assertGreaterThan(0.0, World::probe($tacky, 'pull@vehicle', 'whole'));
        self::assertGreaterThan(
            1.5 * World::probe($this->sound, 'lock-up@vehicle', 'lr'),
            World::probe($tacky, 'lock-up@vehicle', 'lr'),
        );
    }

    /**
     * Replaying the friction of a fault on the pressures of the sound circuit gives what simulating it gives
     * (handbook: 883 and 68 N·m).
     */
    public function testAReplayedBrakeIsTheSimulatedOne(): void
    {
        $this->simulator->run(Program::press(150.0), Effects::none());
        $before = $this->simulator->simulations();
        $run = $this->simulator->run(
            Program::press(150.0),
            new Effects(['brake@lf' => ['apply' => 4000.0, 'hold' => 800.0]]),
        );
        self::assertSame($before, $this->simulator->simulations());
        self::assertEqualsWithDelta(883.0, $run->torqueNm(Corner::LeftFront, Program::HELD), 0.02 * 883.0);
        self::assertEqualsWithDelta(68.0, $run->torqueNm(Corner::LeftFront, Program::AFTER_4_S), 5.0);
    }

    /** @param array<string, array<string, float>> $fault */
    private function subject(array $fault): Subject
    {
        return $this->sound->with(new Effects($fault));
    }
}
