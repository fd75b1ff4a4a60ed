<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Physics\Band;
use Rodrel\Core\Physics\Booster;
use Rodrel\Core\Physics\Circuit;
use Rodrel\Core\Physics\CircuitState;
use Rodrel\Core\Physics\Edge;
use Rodrel\Core\Physics\Friction;
use Rodrel\Core\Physics\HeldRod;
use Rodrel\Core\Physics\Piston;
use Rodrel\Core\Physics\Rubbing;
use Rodrel\Core\Physics\Start;
use Rodrel\Core\Physics\Vacuum;
use Rodrel\Core\Tests\World;

/**
 * The formulas of a run by hand. Booster of the medium car: pedal 4 : 1, from 60 N on 4.5 times, 430 cm² of diaphragm,
 * master 22.2 mm, so 0.38708 N a kPa.
 */
final class BoosterTest extends TestCase
{
    private const PER_KPA = 0.387076;

    /** F_in + (4.5 − 1)(F_in − 60), at most 43 N a kPa of vacuum; a tenth is lost at the cups, 60 N at the springs. */
    public function testFootToChamber(): void
    {
        $booster = new Booster(World::handbook(), 65.0);
        foreach (
            [
                '0' => 0.0,
                '10' => 40.0,
                '15' => 60.0,
                '20' => 80.0 + 3.5 * 20.0,
                '150' => 600.0 + 3.5 * 540.0,
                '300' => 1200.0 + 2795.0,
            ] as $foot => $rod
        ) {
            self::assertEqualsWithDelta($rod, $booster->rodN((float) $foot), 1e-9, "$foot N");
            $kpa = max(0.0, 0.9 * $rod - 60.0) / self::PER_KPA;
            self::assertEqualsWithDelta($kpa, $booster->chamberKpa((float) $foot), 0.02, "$foot N");
        }
        $wide = new Booster(World::handbook(), 65.0, boreShare: 1.1);
        self::assertEqualsWithDelta(2181.0 / self::PER_KPA / 1.21, $wide->chamberKpa(150.0), 0.02);
        self::assertEqualsWithDelta(600.0, (new Booster(World::handbook(), 0.0))->rodN(150.0), 1e-9);
        $jumps = new Booster(World::handbook(changes: ['booster' => ['jump_out_n' => 400]]), 65.0);
        self::assertEqualsWithDelta(60.0, $jumps->rodN(15.0), 1e-9, 'not before it opens');
        // a step of 400 − 60 N as it opens, and the gain from there on
        self::assertEqualsWithDelta(400.0, $jumps->rodN(15.0001), 0.01);
        self::assertEqualsWithDelta(80.0 + 340.0 + 3.5 * 20.0, $jumps->rodN(20.0), 1e-9);
        self::assertEqualsWithDelta(600.0 + 340.0 + 3.5 * 540.0, $jumps->rodN(150.0), 1e-9);
        // springs: 60 / 0.9 = 66.7 N are beaten by the jump at 60 N; run-out: 60 + (2795 − 340) / 3.5 = 761.4 N
        self::assertEqualsWithDelta([15.0, 761.43 / 4.0], $jumps->bendsAtN(), 0.01);
        // a rod held with 910 N is taken over at 60 + (910 − 60 − 340) / 4.5 = 173.3 N
        $held = new Booster(World::handbook(changes: ['booster' => ['jump_out_n' => 400]]), 65.0, new HeldRod(910.0));
        self::assertContainsEquals(43.333, array_map(static fn (float $n): float => round($n, 3), $held->bendsAtN()));
        // without vacuum the springs alone: 66.7 N over the pedal's 4
        self::assertEqualsWithDelta([16.667], (new Booster(World::handbook(), 0.0))->bendsAtN(), 0.001);
        // without a jump: 60 N + 6.7 N / 4.5 at the rod, 60 N, 60 + 2795 / 3.5 = 858.6 N
        self::assertEqualsWithDelta([15.370, 15.0, 214.643], $booster->bendsAtN(), 0.001);
    }

    /**
     * Behind a remote booster its valve opens at a pressure: cut-in · 0.1 A + 60 N, over 0.9 and the pedal's ratio. It
     * has given all it can at cut-in + area ratio · vacuum / (ratio − 1): 300 + 60 · 65 / 1.9 = 2352.6 kPa.
     */
    public function testWhereARemoteBoosterCutsInAndRunsOut(): void
    {
        $layout = World::layout('line-booster');
        $booster = new Booster($layout, 65.0);
        $foot = static fn (float $kpa): float => ($kpa * 0.1 * $layout->masterAreaCm2() + 60.0)
            / 0.9
            / $layout->pedal->ratio;
        self::assertEqualsWithDelta([$foot(0.0), $foot(300.0), $foot(2352.63)], $booster->bendsAtN(), 0.001);
        self::assertEqualsWithDelta(300.0, $booster->chamberKpa($foot(300.0)), 1e-6);
        self::assertEqualsWithDelta(2352.63 + 3900.0, $booster->chamberKpa($foot(2352.63)), 0.01);
    }

    /** A valve that sticks holds its force until its vacuum is gone, and above 20 kPa of it. */
    public function testAStuckValve(): void
    {
        $stuck = new Booster(World::handbook(), 65.0, new HeldRod(300.0, 5.0));
        self::assertSame([300.0, 0.0], [$stuck->rodN(0.0, 4.9), $stuck->rodN(0.0, 5.0)]);
        self::assertEqualsWithDelta(2490.0, $stuck->rodN(150.0, 1.0), 1e-9, 'the foot is stronger');
        self::assertSame(0.0, (new Booster(World::handbook(), 20.0, new HeldRod(300.0, 5.0)))->rodN(0.0, 1.0));
        self::assertSame(300.0, (new Booster(World::handbook(), 20.1, new HeldRod(300.0, 5.0)))->rodN(0.0, 1.0));
        self::assertSame(5.0, $stuck->nextCorner(1.0));
        self::assertSame(\INF, $stuck->nextCorner(5.0));
        self::assertSame(\INF, (new Booster(World::handbook(), 65.0, new HeldRod(0.0, 5.0)))->nextCorner(1.0));
        self::assertNotSame($stuck->print, (new Booster(World::handbook(), 65.0, new HeldRod(300.0, 6.0)))->print);
        self::assertNotSame($stuck->print, (new Booster(World::handbook(), 65.0, new HeldRod(300.0, 5.0), 1.1))->print);
        $half = new Booster(World::handbook(), 65.0, new HeldRod(300.0, 5.0), 1.0, 0.5);
        self::assertNotSame($stuck->print, $half->print);
    }

    /** A rod that is too long holds the master forward with vacuum or none, for ever; the foot is stronger. */
    public function testARodThatIsTooLong(): void
    {
        $long = new Booster(World::handbook(), 0.0, new HeldRod(preloadN: 220.0));
        self::assertSame([220.0, 220.0], [$long->rodN(0.0, 1.0), $long->rodN(0.0, 900.0)]);
        self::assertEqualsWithDelta(600.0, $long->rodN(150.0, 1.0), 1e-9);
        self::assertSame(\INF, $long->nextCorner(1.0));
        $stuck = new Booster(World::handbook(), 65.0, new HeldRod(300.0, 5.0, 220.0));
        self::assertSame([300.0, 220.0], [$stuck->rodN(0.0, 4.9), $stuck->rodN(0.0, 5.1)]);
    }

    /** An engine that starts at 3 s has 1 − e^(−1) of its vacuum 0.6 s later. */
    public function testAnEngineThatStarts(): void
    {
        $booster = new Booster(World::handbook(), 65.0, new HeldRod(0.0, 4.0), start: new Start(3.0, 0.6));
        self::assertEqualsWithDelta(1200.0, $booster->rodN(300.0, 2.9), 1e-9);
        self::assertEqualsWithDelta(1200.0 + 2795.0 * (1.0 - exp(-1.0)), $booster->rodN(300.0, 3.6), 1e-6);
        self::assertSame(3.0, $booster->nextCorner(1.0));
        self::assertSame(\INF, $booster->nextCorner(3.0));
        $both = new Booster(World::handbook(), 65.0, new HeldRod(300.0, 2.0), start: new Start(3.0, 0.6));
        self::assertSame([2.0, 3.0], [$both->nextCorner(1.0), $both->nextCorner(2.5)]);
        self::assertNotSame($booster->print, (new Booster(World::handbook(), 65.0, new HeldRod(0.0, 4.0)))->print);
    }

    /**
     * 60 kPa that fall to 45 in a minute: τ = −60/ln 0.75 = 208.6 s. A firm stroke leaves 0.65: from 60 down to 20 kPa
     * are ln 3/0.4308 = 2.550 strokes after the first. What fell to nothing is left a hundredth.
     */
    public function testVacuum(): void
    {
        $read = Vacuum::read(60.0, 15.0);
        self::assertEqualsWithDelta(45.0, $read->after(60.0), 1e-9);
        self::assertEqualsWithDelta(15.0, $read->lostInAMinuteKpa(), 1e-9);
        self::assertEqualsWithDelta(3.5503, $read->strokesAfter(0.0), 1e-3);
        self::assertEqualsWithDelta(0.25, Vacuum::read(5.0, 0.0)->strokesAfter(0.0), 1e-3);
        self::assertEqualsWithDelta(0.05, Vacuum::read(0.1, 0.0)->strokesAfter(0.0), 1e-9);
        self::assertEqualsWithDelta(0.6, Vacuum::read(60.0, 60.0)->after(60.0), 1e-9);
        self::assertEqualsWithDelta(60.0 * exp(-60.0 / 72000.0), Vacuum::read(60.0, 0.0)->after(60.0), 1e-9);
        self::assertEqualsWithDelta(60.0 * exp(-60.0 / 72000.0), Vacuum::read(60.0, -2.0)->after(60.0), 1e-9);
        self::assertEqualsWithDelta(1.8, $read->fillsInS(), 1e-9);
    }

    /**
     * 20 cm², 90 N of spring, 15 N to come on and 25 to let go, pins of 10 N. 500 kPa are 910 N: on it comes with 895,
     * and stays so until the force is below 870. A drum of μ 0.38: 2.445 (0.38/0.525 + 0.38/1.475) = 2.3996; μ 0.5
     * would grab 5.2 times, 0.9 without bounds: six at most.
     */
    public function testFriction(): void
    {
        $disc = new Friction(20.0, 90.0, new Band(15.0, 25.0, 10.0), new Rubbing(true, 0.4, 0.1, 3.0));
        self::assertEqualsWithDelta(895.0, $disc->inner(0.0, 500.0), 1e-9);
        self::assertEqualsWithDelta(895.0, $disc->inner(895.0, 490.0), 1e-9);
        self::assertEqualsWithDelta(735.0, $disc->inner(895.0, 400.0), 1e-9, '710 N and 25 of grip');
        self::assertSame(0.0, $disc->inner(895.0, 0.0));
        self::assertEqualsWithDelta(90.0, $disc->outer(0.0, 100.0), 1e-9);
        self::assertEqualsWithDelta(60.0, $disc->outer(90.0, 50.0), 1e-9);
        self::assertEqualsWithDelta(55.0, $disc->outer(55.0, 50.0), 1e-9);
        self::assertEqualsWithDelta(0.4 * 0.1 * 190.0 + 3.0, $disc->torqueNm(100.0, 90.0), 1e-9);
        $drum = static fn (float $mu): float => (new Friction(
            3.0,
            90.0,
            new Band(15.0, 15.0, 0.0),
            new Rubbing(false, $mu, 0.1, 3.0),
        ))->torqueNm(100.0, 77.0);
        self::assertEqualsWithDelta(23.996 + 3.0, $drum(0.38), 0.01);
        self::assertEqualsWithDelta(10.0 * 2.445 * (0.5 / 0.375 + 0.5 / 1.625) + 3.0, $drum(0.5), 1e-6);
        self::assertEqualsWithDelta(63.0, $drum(0.7), 1e-9);
        self::assertEqualsWithDelta(63.0, $drum(0.9), 1e-9);
    }

    /**
     * A wheel of 0.3 mL clearance over 200 kPa (soft 50), 1e-4 mL/kPa, 0.5 mL of air at 300 kPa: 0.3 (1 − e^(−2)) +
     * 0.03 + 0.5 · 300/401. At the corner, half a kPa below to half above, the curve is (x + ½)²/2.
     */
    public function testVolumeAndLedger(): void
    {
        $circuit = new Circuit(new Piston('primary', 6.0, 0.0, 0.1, 10.0), 2e-5, 1e-4);
        $circuit->addNode('chamber', 0, Edge::none(), 0.0);
        $wheel = $circuit->addNode('wheel@lf', 0, new Edge(0.1, 0.2, 5.0, 1000.0, 0.3), 1e-4, 0.5, 1e-6);
        $friction = new Friction(20.0, 90.0, new Band(15.0, 15.0, 0.0), new Rubbing(true, 0.4, 0.1, 0.0));
        $circuit->makeWheel($wheel, 'lf', 0.3, 200.0, 50.0, $friction);
        $at = static fn (float $kpa): float => 1e-4 * $kpa + 0.5 * $kpa / ($kpa + 101.0);
        foreach (
            [
                '300' => 0.3 * (1.0 - exp(-2.0)),
                '200' => 0.3 * (1.0 - exp(-0.125 / 50.0)),
                '200.5' => 0.3 * (1.0 - exp(-0.5 / 50.0)),
                '199.5' => 0.0,
                '150' => 0.0,
            ] as $kpa => $soft
        ) {
            self::assertEqualsWithDelta($soft + $at((float) $kpa), $circuit->volume($wheel, (float) $kpa), 1e-12);
            self::assertEqualsWithDelta(
                $circuit->volume($wheel, (float) $kpa),
                $circuit->volumes([0.0, (float) $kpa])[$wheel],
                1e-12,
                "$kpa kPa",
            );
        }
        self::assertEqualsWithDelta((2e-5 + 1e-4 * exp(-1.0)) * 500.0, $circuit->bypass(500.0), 1e-12);
        self::assertEqualsWithDelta(-1.2e-3, $circuit->bypass(-10.0), 1e-12);
        self::assertTrue($circuit->leaks());
        self::assertFalse($circuit->slow);
        self::assertTrue($circuit->trap, 'five kilopascals are kept back');
        self::assertSame(5.0, $circuit->kept[$wheel]);
        // 2000 kPa pass the valve as 1000 + 0.3 · 1000: 2510 N less 15, on both sides, 0.04 m
        self::assertEqualsWithDelta(0.04 * 2.0 * 2495.0, $circuit->heldTorqueNm('lf', 2000.0), 1e-9);
        $state = CircuitState::atRest($circuit);
        self::assertSame(0.1, $state->pistonMl);
        $state->kpa = [0.0, 300.0];
        [$state->leakedMl, $state->caughtMl, $state->drawnMl] = [0.2, 0.3, 0.4];
        $ledger = $circuit->volume($wheel, 300.0) + 0.2 + 0.3 - 0.1 - 0.4;
        self::assertEqualsWithDelta($ledger, $state->ledgerMl($circuit), 1e-12);
        $this->expectExceptionMessage('No node "hose"');
        $circuit->node('hose');
    }
}
