<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Physics\Booster;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\CircuitSolver;
use Rodrel\Core\Physics\CircuitState;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Foot;
use Rodrel\Core\Physics\HeldRod;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\PedalSource;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleRun;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/** What must hold whatever the numbers are. */
final class LawsTest extends TestCase
{
    /** But for what a residual valve keeps back where there is one: 50 to 100 kPa (handbook). */
    public function testASoundSystemHoldsNothingTwoSecondsAfterRelease(): void
    {
        foreach (World::hydraulic() as $preset) {
            $layout = World::layout($preset);
            foreach ([30.0, 150.0, 400.0] as $footN) {
                foreach (World::press($layout, [], $footN, [5.6])['5.60']['kpa'] as $corner => $kpa) {
                    $chamber = $layout->chamberOf(Corner::from($corner))->id;
                    $kept = \in_array($chamber, $layout->pipework->residualCircuits, true);
                    self::assertGreaterThan($kept ? 50.0 : -2.0, $kpa, "$preset $corner after $footN N");
                    self::assertLessThan($kept ? 100.0 : 2.0, $kpa, "$preset $corner after $footN N");
                }
            }
        }
    }

    public function testMoreFootNeverGivesLessPressureWhileItPresses(): void
    {
        foreach ($this->sample(12) as $particle) {
            $before = [];
            foreach ([40.0, 90.0, 160.0, 300.0] as $footN) {
                $seen = World::press(World::layout(), $particle->effects->all(), $footN, [0.4, 3.4]);
                // what leaks is gone the sooner the harder the foot
                foreach ($particle->effects->has('leak') ? ['0.40'] : ['0.40', '3.40'] as $at) {
                    foreach ($seen[$at]['kpa'] as $corner => $kpa) {
                        $was = $before[$at][$corner] ?? 0.0;
                        self::assertGreaterThanOrEqual(
                            // a chamber at its bottom gives the same to both: what the solver is held to
                            min($was - 2.0, 0.99 * $was),
                            $kpa,
                            $particle->suspect." $corner at $at s",
                        );
                        $before[$at][$corner] = $kpa;
                    }
                }
            }
        }
    }

    public function testMirroringFaultAndLayoutMirrorsTheResult(): void
    {
        $mirror = ['lf' => 'rf', 'rf' => 'lf', 'lr' => 'rr', 'rr' => 'lr'];
        $preset = World::handbookDocument();
        foreach ($preset['master']['chambers'] as $i => $chamber) {
            $preset['master']['chambers'][$i]['wheels'] = array_map(
                static fn (string $w): string => $mirror[$w],
                $chamber['wheels'],
            );
        }
        $fault = ['hose@lf' => ['gf' => 0.002, 'gr' => 1e-5], 'wheel@lf' => ['air' => 1.0]];
        $mirrored = ['hose@rf' => $fault['hose@lf'], 'wheel@rf' => $fault['wheel@lf']];
        $left = World::press(World::handbook(), $fault, 150.0, [3.4, 6.0]);
        $right = World::press(Layout::fromArray($preset), $mirrored, 150.0, [3.4, 6.0]);
        foreach ($left as $at => $seen) {
            self::assertEqualsWithDelta($seen['travel'], $right[$at]['travel'], 1e-6);
            foreach ($seen['kpa'] as $corner => $kpa) {
                self::assertEqualsWithDelta($kpa, $right[$at]['kpa'][$mirror[$corner]], 1e-6, "$corner at $at s");
            }
        }
    }

    public function testOnAFrontRearSplitMirroringTheFaultAloneMirrorsTheResult(): void
    {
        $layout = World::handbook('front-rear-discs');
        $left = World::press($layout, ['inlet-valve@lf' => ['gr' => 1e-5]], 150.0, [6.0])['6.00'];
        $right = World::press($layout, ['inlet-valve@rf' => ['gr' => 1e-5]], 150.0, [6.0])['6.00'];
        self::assertGreaterThan(1000.0, $left['kpa']['lf']);
        self::assertEqualsWithDelta($left['kpa']['lf'], $right['kpa']['rf'], 1e-6);
        self::assertEqualsWithDelta($left['kpa']['rf'], $right['kpa']['lf'], 1e-6);
    }

    /**
     * What is told of a mirror, across the chambers of a diagonal split too, is what simulating it alone gives: wheels,
     * pedal and an opened joint. A pedal that gets to the bottom of the shorter chamber is not told of the longer one.
     */
    public function testWhatIsToldOfItsMirrorIsWhatItWouldBeAlone(): void
    {
        $layout = World::handbook();
        $mirror = ['lf' => 'rf', 'rf' => 'lf', 'lr' => 'rr', 'rr' => 'lr'];
        $made = 0;
        $faults = [
            ['hose' => ['gf' => 0.002, 'gr' => 1e-5]],
            ['wheel' => ['air' => 1.0], 'brake' => ['hold' => 900.0, 'apply' => 900.0]],
            ['wheel' => ['air' => 60.0]],
        ];
        foreach ($faults as $fault) {
            $at = static function (string $corner) use ($fault): Effects {
                $targets = array_map(static fn (string $kind): string => "$kind@$corner", array_keys($fault));

                return new Effects(array_combine($targets, $fault));
            };
            foreach (['lf', 'lr'] as $corner) {
                $both = new VehicleSimulator($layout);
                $alone = new VehicleSimulator($layout);
                $both->run(Program::press(), $at($corner));
                $before = $both->simulations();
                $told = $both->run(Program::press(), $at($mirror[$corner]));
                $made += $both->simulations() - $before;
                $own = $alone->run(Program::press(), $at($mirror[$corner]));
                foreach ([Program::HELD, Program::AFTER_4_S, Program::AFTER_60_S] as $sample) {
                    self::assertEqualsWithDelta($own->travelMm($sample), $told->travelMm($sample), 1e-6);
                    foreach (Corner::cases() as $wheel) {
                        $read = static fn (VehicleRun $run): array => [
                            $run->wheelKpa($wheel, $sample),
                            $run->torqueNm($wheel, $sample),
                        ];
                        self::assertEqualsWithDelta($read($own), $read($told), 1e-5);
                    }
                }
                $wheel = Corner::from($mirror[$corner]);
                $opened = [$wheel, Joint::HoseTop, 5.0];
                [$circuit, $state] = $both->open($told, Program::AFTER_6_S, ...$opened);
                [, $expected] = $alone->open($own, Program::AFTER_6_S, ...$opened);
                self::assertEqualsWithDelta($expected->kpa, $state->kpa, 1e-5);
                self::assertEqualsWithDelta(
                    $expected->torqueNm($circuit, $wheel->value),
                    $state->torqueNm($circuit, $wheel->value),
                    1e-5,
                );
            }
        }
        self::assertSame(4, $made, 'only what 60 mL of air drives to a bottom is again, the hold and the release');
    }

    /**
     * Reservoir + chambers + lines + leaked + caught stays what it was, over a minute of random faults and an opened
     * joint.
     */
    public function testTheVolumeLedgerIsConstant(): void
    {
        $layout = World::handbook();
        foreach ([...$this->sample(10), null] as $particle) {
            $effects
                = null === $particle
                    ? new Effects([
                        'wheel@lf' => ['leak' => 1e-5, 'air' => 1.0],
                        'chamber@primary' => ['bypass_hard' => 2e-4],
                    ])
                    : $particle->effects;
            $chamber = $layout->chambers[0];
            $circuit = (new CircuitBuilder($layout))->build($chamber, $effects);
            $state = CircuitState::atRest($circuit);
            $atRest = $state->ledgerMl($circuit);
            $solver = new CircuitSolver();
            $booster = new Booster($layout, 65.0, new HeldRod($effects->value('booster', null, 'stuck', 0.0)));
            $solver->run($circuit, $state, new PedalSource(Foot::press(150.0), $booster), 30.0);
            $solver->run(
                $circuit,
                $state,
                new PedalSource(Foot::off(), $booster),
                40.0,
                [],
                [$circuit->node('wheel@lf')],
            );
            $solver->run($circuit, $state, new PedalSource(Foot::off(), $booster), 60.0);
            self::assertEqualsWithDelta(
                $atRest,
                $state->ledgerMl($circuit),
                1e-6,
                null === $particle ? 'leak and bypass' : (string) $particle->suspect,
            );
        }
    }

    /**
     * A seeded sample over all presets, each pressed as hard as its kind of assist wants; every particle when asked.
     */
    public function testHalvingTheToleranceChangesNoPressureByMoreThanOnePercent(): void
    {
        $chance = new Randomizer(new Mt19937(41));
        $at = [0.4, 1.0, 3.4, 4.0, 5.0, 9.0, 20.0];
        // and where no program looks: while the foot comes and goes, and anywhere after it
        foreach ([[2, 40], [340, 360], [340, 360], [360, 460], [460, 1700]] as [$from, $to]) {
            $at[] = 0.01 * $chance->getInt($from, $to);
        }
        sort($at);
        foreach (array_keys(World::catalogue()->presets) as $preset) {
            $layout = World::layout($preset);
            $footN = $layout->hasAssist() ? 150.0 : 400.0;
            $particles = Particles::of(World::catalogue()->faults, $layout);
            $picked = World::isAsked()
                ? $particles
                : array_map(static fn (int $n): Particle => $particles[$n], $chance->pickArrayKeys($particles, 6));
            foreach ($picked as $particle) {
                $coarse = World::press($layout, $particle->effects->all(), $footN, $at);
                $fine = World::press($layout, $particle->effects->all(), $footN, $at, tolerance: 0.5);
                foreach ($fine as $t => $seen) {
                    foreach ($seen['kpa'] as $corner => $kpa) {
                        $said = "$preset $particle->suspect $corner at $t s";
                        self::assertEqualsWithDelta(
                            $kpa,
                            $coarse[$t]['kpa'][$corner],
                            max(2.0, 0.01 * abs($kpa)),
                            $said,
                        );
                    }
                }
            }
        }
    }

    /** What a shut inlet valve lets back, it cannot refill: its wheel must end empty, not under vacuum. */
    public function testAShutInletValveLeavesNoVacuumBehind(): void
    {
        foreach (['medium-car', 'front-rear-discs', 'petrol-turbo', 'solid-axle-4x4'] as $preset) {
            foreach ([1e-6, 1e-4] as $forward) {
                $seen = World::press(
                    World::layout($preset),
                    ['inlet-valve@lf' => ['gf' => $forward, 'gr' => 0.05]],
                    150.0,
                    [9.0],
                );
                self::assertEqualsWithDelta(0.0, $seen['9.00']['kpa']['lf'], 2.0, $preset);
            }
        }
    }

    public function testACauseOnBothChambersDragsBothWheelsOfAnAxleAlike(): void
    {
        foreach (
            [
                ['booster' => ['stuck' => 300.0]],
                ['chamber@primary' => ['rest' => 0.4], 'chamber@secondary' => ['rest' => 0.4]],
            ] as $fault
        ) {
            $seen = World::press(World::handbook(), $fault, 150.0, [8.0])['8.00']['torque'];
            self::assertGreaterThan(20.0, $seen['lf']);
            self::assertEqualsWithDelta($seen['lf'], $seen['rf'], 0.5);
            self::assertEqualsWithDelta($seen['lr'], $seen['rr'], 0.5);
        }
    }

    public function testACauseInOneChamberDragsOneFrontAndTheOppositeRear(): void
    {
        $seen = World::press(World::handbook(), ['chamber@primary' => ['rest' => 1.4]], 150.0, [8.0])['8.00']['torque'];
        self::assertGreaterThan(50.0, $seen['lf']);
        self::assertGreaterThan(5.0, $seen['rr']);
        self::assertLessThan(2.0, $seen['rf']);
        self::assertLessThan(1.0, $seen['lr']);
    }

    /**
     * Foot 150 N gives 5635 kPa; behind a valve with knee 2500 and slope 0.35 the rear gets 2500 + 0.35 · 3135 = 3597
     * kPa.
     */
    public function testARearPressureValveHoldsBackByItsSlopeAndLetsGoFreely(): void
    {
        $valve = ['knee_kpa' => 2500, 'slope' => 0.35];
        $layout = World::handbook('front-rear-discs', ['rear_valves' => ['lr' => $valve, 'rr' => $valve]]);
        $seen = World::press($layout, [], 150.0, [3.4, 6.0]);
        self::assertEqualsWithDelta(3597.0, $seen['3.40']['kpa']['rr'], 20.0);
        self::assertEqualsWithDelta(5635.0, $seen['3.40']['kpa']['lf'], 5.0);
        self::assertLessThan(3.0, $seen['6.00']['kpa']['rr']);
    }

    public function testASolidAxleDragsBothRearsThroughItsOneHose(): void
    {
        $layout = World::handbook('front-rear-discs', ['rear_solid_axle' => true]);
        self::assertSame(['lf', 'rf', 'rear'], array_map(strval(...), $layout->hoses()));
        $seen = World::press($layout, ['hose@rear' => ['gr' => 1e-5]], 150.0, [8.0])['8.00'];
        self::assertGreaterThan(1000.0, $seen['kpa']['lr']);
        self::assertEqualsWithDelta($seen['kpa']['lr'], $seen['kpa']['rr'], 1.0);
        self::assertLessThan(5.0, $seen['kpa']['lf']);
    }

    /** @return list<Particle> */
    private function sample(int $count): array
    {
        $particles = Particles::of(World::catalogue()->faults, World::layout());
        $chance = new Randomizer(new Mt19937(41));
        $picked = [];
        while (\count($picked) < $count) {
            $picked[] = $particles[$chance->getInt(0, \count($particles) - 1)];
        }

        return $picked;
    }
}
