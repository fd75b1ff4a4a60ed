<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Fluid;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\ReservoirLedger;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

/** One simulated vehicle as the checks see it, by hand and by laws. */
final class SubjectTest extends TestCase
{
    private const CORNERS = ['lf', 'rf', 'lr', 'rr'];

    /** All of the air at a wheel, half of what is before it: 1 + 0.5 · (0.4 + 0.2). */
    public function testWhatShowsAtABleeder(): void
    {
        $air = $this->with([
            'wheel@lf' => ['air' => 1.0],
            'chamber@primary' => ['air' => 0.4],
            'modulator@lf' => ['air' => 0.2],
        ]);
        self::assertEqualsWithDelta(1.3, $air->airAtMl(Corner::LeftFront), 1e-12);
        self::assertEqualsWithDelta(0.2, $air->airAtMl(Corner::RightRear), 1e-12, 'the same chamber');
        self::assertSame(0.0, $air->airAtMl(Corner::RightFront));
    }

    /** With half the friction at both axles of discs half the force is missing; more than sound is no weakness. */
    public function testWeakness(): void
    {
        $friction = static function (float $times): array {
            $effects = [];
            foreach (self::CORNERS as $corner) {
                $mu = World::layout('four-piston-estate')->brake(Corner::from($corner))->lining->friction;
                $effects["brake@$corner"] = ['friction' => $times * $mu];
            }

            return $effects;
        };
        $of = fn (array $effects): float => $this->with($effects, 'four-piston-estate')->weakness();
        self::assertEqualsWithDelta(0.5, $of($friction(0.5)), 1e-9);
        self::assertSame(0.0, $of($friction(1.2)));
        self::assertSame(0.0, $of([]));
    }

    public function testWhatIsReadFromTheFaultItself(): void
    {
        $sound = $this->with([]);
        self::assertFalse($sound->boosterHolds());
        self::assertTrue($this->with(['booster' => ['stuck' => 100.0]])->boosterHolds());
        self::assertSame(30.0, $this->with(['brake@rf' => ['bracket' => 30.0]])->bracketBandN(Corner::RightFront));
        $slack = $this->with(['wheel@lr' => ['extra_clearance' => 0.4]]);
        self::assertSame(0.4, $slack->extraClearanceMl(Corner::LeftRear));
        self::assertSame(0.0, $slack->extraClearanceMl(Corner::RightRear));
        $tight = $this->with(['wheel@lr' => ['extra_clearance' => -0.1]]);
        self::assertSame(0.0, $tight->extraClearanceMl(Corner::LeftRear));
        self::assertSame(1.0, $sound->hotTravelShare(), 'dry fluid does not boil');
        self::assertSame('hold-30-60', Subject::holdOf('light')->id);
        self::assertSame('hold-200-30-off', Subject::holdOf('off')->id);
        self::assertSame('twice-hold-150-30', Subject::holdOf('firm')->id);
    }

    /**
     * Past a cup fluid goes from the chamber back into the reservoir: as much as the piston has to follow, for what is
     * in the line stays.
     */
    public function testWhatComesBackPastACup(): void
    {
        $passes = $this->with(['chamber@primary' => ['bypass_hard' => 2e-5]]);
        $states = $passes->run(Program::holdTwice())->states['primary'];
        self::assertEqualsWithDelta(
            $states[Program::HOLD_END]->pistonMl - $states[Program::HOLD_1_S]->pistonMl,
            $passes->backIntoReservoirMl('firm', 'primary'),
            0.1, // a hold is computed coarsely: it is read to millimetres of pedal
        );
        self::assertGreaterThan(0.5, $passes->backIntoReservoirMl('firm', 'primary'));
        self::assertEqualsWithDelta(0.0, $passes->backIntoReservoirMl('firm', 'secondary'), 0.02);
        $leaks = $this->with(['hose-top@lf' => ['leak' => 3e-5]]);
        $back = $leaks->backIntoReservoirMl('firm', 'primary');
        self::assertEqualsWithDelta(0.0, $back, 0.02, 'a leak gives nothing back');
    }

    /** With plugs in the master a leak further on is out of it; the free play is no travel. */
    public function testThePedalOverPlugs(): void
    {
        $leaks = $this->with(['hose-top@lf' => ['leak' => 1e-4]]);
        self::assertEqualsWithDelta(0.0, $leaks->pluggedMm('master', 'sinks'), 0.1);
        self::assertEqualsWithDelta(0.0, $leaks->pluggedMm('modulator', 'sinks'), 0.1);
        self::assertGreaterThan(3.0, $leaks->sinkMm('firm', 'end'));
        self::assertLessThan(1.0, $leaks->pluggedMm('master', 'travel'));
        self::assertGreaterThan(
            $leaks->pluggedMm('master', 'travel') + 2.0,
            $this->with(['chamber@primary' => ['air' => 3.0]])->pluggedMm('hose', 'travel'),
        );
        $slack = $this->with(['pedal' => ['slack' => 5.0]]);
        self::assertEqualsWithDelta(
            $this->with([])->pluggedMm('hose', 'travel'),
            $slack->pluggedMm('hose', 'travel'),
            0.1,
            'slack is play as well',
        );
    }

    /**
     * Only behind a covered port does the drive itself make a difference, and a cap keeps in what quick strokes bring.
     */
    public function testWhatHeatAdds(): void
    {
        $sound = $this->with([]);
        self::assertSame($sound->pressed(), $sound->driven());
        $shut = $this->with(['chamber@primary' => ['port' => 0.0]]);
        self::assertSame('series', $shut->driven()->program->id);
        $drive = World::catalogue()->checks->drives['town'];
        $without = $shut->instruments->heatK($shut->driven(), $shut->stopped(), Corner::LeftFront, $drive);
        self::assertGreaterThan($without, $shut->heatK($drive, Corner::LeftFront));
        self::assertSame(450.0, $this->with(['brake@lf' => ['extra_drag' => 500.0]])->heatK($drive, Corner::LeftFront));
        $still = new Drive('still', 0.01, 1.0, 0);
        self::assertSame(2.0, $sound->heatK($still, Corner::LeftFront), 'no thermometer tells less');
        self::assertEqualsWithDelta(0.0, $sound->effortHotN(Corner::LeftFront), 1e-9);
        self::assertGreaterThan(0.0, $shut->effortHotN(Corner::LeftFront));
        $drags = $this->with(['brake@lf' => ['extra_drag' => 30.0]]);
        self::assertEqualsWithDelta(100.0, $drags->effortHotN(Corner::LeftFront), 1e-6, '30 N·m on 0.3 m');
        self::assertEqualsWithDelta(100.0, $drags->worstEffortN(Program::press()), 1e-6);
        self::assertEqualsWithDelta(1.0, array_sum($shut->complaints()), 1e-9);
        self::assertGreaterThan($sound->stillComplains(), $drags->stillComplains());
    }

    /** 2000 kPa in, 80 % of what is added when a fifth is lost; without vacuum what goes in comes out. */
    public function testARemoteBooster(): void
    {
        $remote = World::layout('line-booster')->assist->remote;
        self::assertNotNull($remote);
        $whole = $this->with([], 'line-booster');
        $less = $this->with(['remote' => ['gain_share' => 0.8]], 'line-booster');
        $added = min(
            ($remote->ratio - 1.0) * (2000.0 - $remote->cutInKpa),
            $remote->areaRatio * World::layout('line-booster')->assist->vacuumKpa,
        );
        self::assertEqualsWithDelta(2000.0 + $added, $whole->remoteOutKpa(true), 1e-6);
        self::assertEqualsWithDelta(2000.0 + 0.8 * $added, $less->remoteOutKpa(true), 1e-6);
        self::assertEqualsWithDelta(2000.0, $whole->remoteOutKpa(false), 1e-9);
        self::assertSame(0.0, $this->with([])->remoteOutKpa(true), 'there is none');
    }

    /**
     * Slack shoes come half the way back between strokes, so later strokes are shorter; bent parts stay where they are.
     */
    public function testPumping(): void
    {
        $slack = $this->with(['wheel@lr' => ['extra_clearance' => 2.0]]);
        $half = $this->with(['wheel@lr' => ['extra_clearance' => 1.0]]);
        $first = $slack->run(Program::pump())->travelMm(0);
        self::assertEqualsWithDelta($half->run(Program::pump())->travelMm(2) / $first, $slack->pumped(2), 1e-9);
        $knocked = $this->with(['wheel@lr' => ['knock' => 2.0]]);
        $sound = $this->with([])->run(Program::pump());
        self::assertEqualsWithDelta(
            $sound->travelMm(2) / $knocked->run(Program::pump())->travelMm(0),
            $knocked->pumped(2),
            1e-9,
        );
        self::assertEqualsWithDelta($sound->travelMm(2) / $sound->travelMm(0), $this->with([])->pumped(2), 1e-12);
    }

    /**
     * A propped pedal gives nothing after: what leaks is missing a minute later, and in the other chamber all is there.
     */
    public function testAProppedPedal(): void
    {
        self::assertGreaterThan(0.95, $this->with([])->proppedShare(Corner::LeftFront));
        $leaks = $this->with(['wheel@lf' => ['leak' => 1e-4]]);
        self::assertLessThan(0.1, $leaks->proppedShare(Corner::LeftFront));
        self::assertGreaterThan(0.95, $leaks->proppedShare(Corner::RightFront), 'the other chamber');
    }

    /** 3 % of water: 155 + 90 · e^(−3/1.3) = 163.95 °C. There half of 6 mL boil; 8 K more are 6 / (1 + 1/e). */
    public function testWetFluidBoils(): void
    {
        self::assertEqualsWithDelta(163.954, Fluid::boilsAtC(3.0), 1e-3);
        self::assertEqualsWithDelta(245.0, Fluid::boilsAtC(0.0), 1e-9);
        self::assertEqualsWithDelta(3.0, Fluid::vapourMl(Fluid::boilsAtC(3.0), 3.0), 1e-9);
        self::assertEqualsWithDelta(4.38635, Fluid::vapourMl(Fluid::boilsAtC(3.0) + 8.0, 3.0), 1e-4);
        self::assertGreaterThan(1.0, $this->with(['fluid' => ['water' => 5.0]])->hotTravelShare());
    }

    /**
     * A day: ten minutes under the pressure of gentle stops, all of it under 5.15 kPa of head. A leak of 1e-6 at a hose
     * loses 1e-6 · (600 p + 86400 · 5.15); the rear seal an hour of vacuum and head, 1e-6 · 3600 · (65 + 5.15) =
     * 0.2525.
     */
    public function testTheReservoirsLedger(): void
    {
        $of = function (array $effects): ReservoirLedger {
            return $this->with($effects)->ledger();
        };
        $leaks = $this->with(['hose-top@lf' => ['leak' => 1e-6]]);
        $circuit = $leaks->stopped()->circuits['primary'];
        $kpa = $leaks->stopped()->states['primary'][Program::WHOLE_STOP]->kpa[$circuit->node('hose-top@lf')];
        $drips = 1e-6 * (600.0 * $kpa + 86400.0 * 5.15);
        self::assertEqualsWithDelta($drips, $leaks->ledger()->lostMlADay('primary'), 1e-9);
        self::assertEqualsWithDelta($drips, $leaks->ledger()->outsideMlADay(), 1e-9);
        self::assertSame(0.0, $leaks->ledger()->lostMlADay('secondary'));
        $vacuum = World::layout()->assist->vacuumKpa;
        $seal = $of(['master' => ['rear_seal' => 1e-6], 'reservoir' => ['lost_ml_day' => 0.5]]);
        self::assertEqualsWithDelta(0.5 + 1e-6 * 3600.0 * ($vacuum + 5.15), $seal->lostMlADay('primary'), 1e-9);
        self::assertSame(0.0, $seal->outsideMlADay(), 'nobody sees it drip');
        self::assertEqualsWithDelta($seal->lostMlADay('primary'), $seal->allMlADay(), 1e-12);
        self::assertSame(0.0, $of([])->allMlADay());
    }

    /** @param array<string, array<string, float>> $effects */
    private function with(array $effects, string $preset = 'medium-car'): Subject
    {
        $sound = World::subject(World::layout($preset));

        return [] === $effects ? $sound : $sound->with(new Effects($effects));
    }
}
