<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Fluid;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\Vacuum;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

/** The inboard half of the model against a second method (`Lumped`) and against figures worked out by hand. */
final class PedalSideTest extends TestCase
{
    /**
     * @param array<string, array<string, float>> $effects
     * @param callable(Subject): float $solved
     */
    #[DataProvider('provideSecond')]
    public function testTheSecondMethodAgrees(string $preset, array $effects, callable $solved, float $second): void
    {
        $subject = World::subject(World::layout($preset))->with(new Effects($effects));
        self::assertEqualsWithDelta($second, $solved($subject), max(0.01 * abs($second), 1e-3));
    }

    /** @return iterable<string, array{string, array<string, array<string, float>>, callable(Subject): float, float}> */
    public static function provideSecond(): iterable
    {
        $travel = static fn (Subject $s): float => $s->pressed()->travelMm(Program::HELD);
        foreach (['medium-car', 'heavy-van', 'line-booster'] as $preset) {
            $layout = World::layout($preset);
            $plain = new Lumped($layout);
            $p = $plain->kpa(150.0, $layout->assist->vacuumKpa);
            yield "$preset: travel of a firm press" => [$preset, [], $travel, $plain->travelMm($plain->allMl($p))];
            $off = $plain->kpa(200.0, 0.0);
            yield "$preset: the same without the engine" => [
                $preset,
                [],
                static fn (Subject $s): float => $s->run(Subject::holdOf('off'))->travelMm(Program::HOLD_5_S),
                $plain->travelMm($plain->allMl($off)),
            ];
            $knocked = new Lumped($layout, [], ['lf' => 0.8]);
            yield "$preset: knocked back at one wheel" => [
                $preset,
                ['wheel@lf' => ['knock' => 0.8]],
                $travel,
                $knocked->travelMm($knocked->allMl($p)),
            ];
            $small = $plain->kpa(150.0, $layout->assist->vacuumKpa, 0.95);
            yield "$preset: a smaller master" => [
                $preset,
                ['master' => ['bore_share' => 0.95]],
                $travel,
                $plain->travelMm($plain->allMl($small), 0.95),
            ];
        }
        $car = World::layout('medium-car');
        $lumped = new Lumped($car);
        $p = $lumped->kpa(150.0, 65.0);
        $area = $car->masterAreaCm2();
        yield 'bypass: what passes in 29 s moves the pedal' => [
            'medium-car',
            ['chamber@primary' => ['bypass_hard' => 1e-5]],
            static fn (Subject $s): float => $s->sinkMm('firm', 'end'),
            $car->pedal->ratio * 10.0 * 1e-5 * $p * 29.0 / $area,
        ];
        yield 'bypass: and comes back into its chamber' => [
            'medium-car',
            ['chamber@primary' => ['bypass_hard' => 1e-5]],
            static fn (Subject $s): float => $s->backIntoReservoirMl('firm', 'primary'),
            1e-5 * $p * 29.0,
        ];
        $light = $lumped->kpa(30.0, 65.0);
        yield 'worn lip: a minute of a light foot' => [
            'medium-car',
            ['chamber@primary' => ['bypass_light' => 2e-4]],
            static fn (Subject $s): float => $s->sinkMm('light', 'end'),
            $car->pedal->ratio * 10.0 * 2e-4 * exp(-$light / 500.0) * $light * 59.0 / $area,
        ];
        yield 'a leak at a wheel, held for half a minute' => [
            'medium-car',
            ['wheel@lf' => ['leak' => 1e-5]],
            static fn (Subject $s): float => $s->sinkMm('firm', 'end'),
            $car->pedal->ratio * 10.0 * 1e-5 * $p * 29.0 / $area,
        ];
        $primary = $car->chambers[0];
        $leak = static fn (float $kpa): float => 1e-5 * $kpa;
        yield 'propped: a leak empties a closed circuit' => [
            'medium-car',
            ['wheel@lf' => ['leak' => 1e-5]],
            static fn (Subject $s): float => $s->proppedShare(Corner::LeftFront),
            $lumped->leftKpa($primary, $p, $leak, 60.0) / $p,
        ];
        yield 'propped: past the cup as well' => [
            'medium-car',
            ['chamber@primary' => ['bypass_hard' => 3e-6]],
            static fn (Subject $s): float => $s->proppedShare(Corner::RightRear),
            $lumped->leftKpa($primary, $p, static fn (float $kpa): float => 3e-6 * $kpa, 60.0) / $p,
        ];
        $spent = $lumped->kpa(80.0, 0.0);
        $helped = $lumped->kpa(80.0, 65.0 * (1.0 - exp(-2.0 / 0.6)));
        yield 'the engine started under a foot of 80 N' => [
            'medium-car',
            [],
            static fn (Subject $s): float => World::probe($s, 'start-drop@vehicle'),
            $lumped->travelMm($lumped->allMl($helped)) - $lumped->travelMm($lumped->allMl($spent)),
        ];
        $air = new Lumped($car, ['' => 1.5]);
        yield 'air in one circuit' => [
            'medium-car',
            ['chamber@secondary' => ['air' => 1.5]],
            $travel,
            $lumped->travelMm($lumped->volumeMl($primary, $p) + $air->volumeMl($car->chambers[1], $p)),
        ];
        yield 'an outlet valve fills its chamber of three and stops' => [
            'medium-car',
            ['modulator@lf' => ['outlet' => 1e-3]],
            static fn (Subject $s): float => $s->run(Subject::holdOf('firm'))->travelMm(Program::HOLD_END),
            $lumped->travelMm($lumped->allMl($p) + 3.0),
        ];
        $rod = (0.1 * $area * $p + 60.0) / 0.9;
        yield 'a mount that gives 2 mm a kN' => [
            'medium-car',
            ['pedal' => ['give' => 2.0]],
            $travel,
            $lumped->travelMm($lumped->allMl($p)) + $car->pedal->ratio * 2.0 * $rod / 1000.0,
        ];
        yield 'with the master plugged only the mount gives' => [
            'medium-car',
            ['pedal' => ['give' => 2.0]],
            static fn (Subject $s): float => $s->pluggedMm('master', 'takes'),
            $car->pedal->ratio * 2.0 * $rod / 1000.0,
        ];
        yield 'a torn diaphragm leaves 15 kPa' => [
            'medium-car',
            ['booster' => ['pressed_kpa' => 15.0]],
            $travel,
            $lumped->travelMm($lumped->allMl($lumped->kpa(150.0, 15.0))),
        ];
        $van = World::layout('heavy-van');
        yield 'a rear valve that passes everything' => [
            'heavy-van',
            ['rear-valve@lr' => ['knee_kpa' => 20000.0]],
            static fn (Subject $s): float => $s->pressed()->wheelKpa(Corner::LeftRear, Program::HELD),
            (new Lumped($van))->kpa(150.0, 65.0),
        ];
        yield 'a rear valve stuck at 900 kPa and a tenth' => [
            'heavy-van',
            ['rear-valve@lr' => ['knee_kpa' => 900.0, 'slope' => 0.1]],
            static fn (Subject $s): float => $s->pressed()->wheelKpa(Corner::LeftRear, Program::HELD),
            900.0 + 0.1 * ((new Lumped($van))->kpa(150.0, 65.0) - 900.0),
        ];
    }

    /** 65·e^(−60/40) = 14.50 lost of 65 is 50.50 kPa; strokes 1 + ln(v/20)/ln(1/0.65), 0.4308 a stroke. */
    public function testVacuumByHand(): void
    {
        $sound = Vacuum::of(World::layout(), Effects::none());
        self::assertEqualsWithDelta(64.73, $sound->after(300.0), 0.01, '65·e^(−300/72000)');
        self::assertEqualsWithDelta(3.726, $sound->strokesAfter(300.0), 0.01, '1 + ln(3.2365)/0.43078');
        self::assertEqualsWithDelta(2.807, $sound->strokesAfter(28800.0), 0.01, 'a night of 8 h leaves 43.57 kPa');
        $leaks = Vacuum::of(World::layout(), new Effects(['booster' => ['keep_s' => 40.0]]));
        self::assertEqualsWithDelta(50.50, $leaks->lostInAMinuteKpa(), 0.01);
        self::assertEqualsWithDelta(0.05, $leaks->strokesAfter(300.0), 1e-9, 'none: 0.036 kPa are left');
    }

    /** 155 + 90·e^(−w/1.3): 245 dry, 163.95 at 3 %; half of six at its boiling point. */
    public function testWetFluidBoils(): void
    {
        self::assertEqualsWithDelta(245.0, Fluid::boilsAtC(0.0), 1e-9);
        self::assertEqualsWithDelta(163.95, Fluid::boilsAtC(3.0), 0.01);
        self::assertEqualsWithDelta(3.0, Fluid::vapourMl(163.95, 3.0), 0.01);
        self::assertLessThan(0.01, Fluid::vapourMl(100.0, 3.0));
    }

    /** The handbook: 8e-7 is about a millilitre a day; a rear seal of 1e-5 loses 1e-5·70.15·3600 = 2.53 mL. */
    public function testTheLedgerOfADay(): void
    {
        $damp = $this->losing(['wheel@lf' => ['leak' => 8e-7]]);
        self::assertGreaterThan(0.7, $damp->ledger()->outsideMlADay());
        self::assertLessThan(2.5, $damp->ledger()->outsideMlADay());
        self::assertSame(0.0, $damp->ledger()->lostMlADay('secondary'));
        $seal = $this->losing(['master' => ['rear_seal' => 1e-5]]);
        self::assertEqualsWithDelta(2.525, $seal->ledger()->lostMlADay('primary'), 0.005);
        self::assertSame(0.0, $seal->ledger()->outsideMlADay(), 'nobody sees it drip');
        self::assertEqualsWithDelta(0.0, $seal->sinkMm('firm', 'end'), 0.01, 'and the pedal does not sink');
    }

    /** 20 bar in, cut-in 3 bar, ratio 2.9: 20 + 1.9·17 = 52.3 bar; without vacuum 20; at a third of its gain 31.3. */
    public function testALineBooster(): void
    {
        $layout = World::layout('line-booster');
        $sound = World::subject($layout);
        self::assertEqualsWithDelta(5230.0, $sound->remoteOutKpa(true), 0.1);
        self::assertSame(2000.0, $sound->remoteOutKpa(false));
        $poor = $sound->with(new Effects(['remote' => ['gain_share' => 0.35]]));
        self::assertEqualsWithDelta(3130.5, $poor->remoteOutKpa(true), 0.1);
        $weak = $sound->with(new Effects(['booster' => ['vacuum_kpa' => 20.0]]));
        self::assertEqualsWithDelta(3200.0, $weak->remoteOutKpa(true), 0.1, 'run out: 60·20 kPa are all it can add');
    }

    /** Each way of being long pumps up in its own way. */
    public function testPumpingTellsThemApart(): void
    {
        $third = fn (array $effects): float => $this->losing($effects)->pumped(2);
        $later = fn (array $effects): float => $this->losing($effects)->pumped(3);
        $knock = ['wheel@lf' => ['knock' => 1.5]];
        $air = ['wheel@lf' => ['air' => 3.0]];
        $give = ['pedal' => ['give' => 4.0]];
        self::assertLessThan(0.82, $third($knock));
        self::assertLessThan(0.82, $later($knock), 'what was knocked back stays taken up');
        self::assertLessThan(0.85, $third($air));
        self::assertGreaterThan(0.95, $later($air), 'air is back after five seconds');
        self::assertGreaterThan(0.93, $third($give), 'a mount does not pump up');
    }

    /** One fault, three rungs of the ladder. */
    public function testTheLadderOfPlugs(): void
    {
        $takes = fn (array $effects, string $at): bool => $this->losing($effects)->pluggedMm($at, 'takes') > 12.0;
        $air = ['wheel@lf' => ['air' => 3.0]];
        $grows = ['hose-top@lf' => ['stiffness' => 2e-4]];
        self::assertFalse($takes($air, 'modulator'));
        self::assertFalse($takes($air, 'hose'), 'what is at the wheel is beyond the plug');
        self::assertFalse($takes($grows, 'modulator'));
        $unit = ['modulator@lf' => ['air' => 3.0]];
        self::assertTrue($takes($unit, 'modulator'));
        $cup = $this->losing(['chamber@primary' => ['bypass_hard' => 2e-5]]);
        self::assertGreaterThan(20.0, $cup->pluggedMm('master', 'sinks'), 'still sinks, ports plugged: the master');
        $leak = $this->losing(['wheel@lf' => ['leak' => 2e-5]]);
        self::assertLessThan(1.0, $leak->pluggedMm('master', 'sinks'));
    }

    /** @param array<string, array<string, float>> $effects */
    private function losing(array $effects): Subject
    {
        return World::subject(World::layout())->with(new Effects($effects));
    }

    /**
     * A metering valve of 500 kPa, by hand: at 400 kPa the fronts get nothing, at 600 kPa 3·(600 − 500) = 300, from
     * 750 on all of it. Shut to 3000 kPa a press that makes less leaves both fronts dry and the rear alone brakes; one
     * that makes more still reaches them, and a press let go lets them go.
     */
    public function testAMeteringValveLetsTheFrontsComeLater(): void
    {
        $layout = World::layout('old-saloon');
        $sound = (new CircuitBuilder($layout))->build($layout->chambers[0], Effects::none());
        $plain = World::layout('old-saloon', ['metering_kpa' => 1e-3]);
        $open = (new CircuitBuilder($plain))->build($plain->chambers[0], Effects::none());
        self::assertSame(0.0, $sound->heldTorqueNm('lf', 400.0));
        foreach ([[600.0, 300.0], [750.0, 750.0], [2000.0, 2000.0]] as [$kpa, $passes]) {
            self::assertEqualsWithDelta(
                $open->heldTorqueNm('lf', $passes),
                $sound->heldTorqueNm('lf', $kpa),
                1e-6,
                "$kpa kPa",
            );
        }
        $shut = ['metering' => ['opens_kpa' => 3000.0]];
        foreach ([[40.0, false], [300.0, true]] as [$footN, $reaches]) {
            $held = World::press($layout, $shut, $footN, [3.4])['3.40']['kpa'];
            self::assertSame($reaches, $held['lf'] > 1000.0, "$footN N");
            self::assertGreaterThan(500.0, $held['lr']);
            self::assertLessThan(2.0, World::press($layout, $shut, $footN, [5.6])['5.60']['kpa']['lf']);
        }
    }

    /**
     * At rest it is open: a crushed pipe keeps its wheel's pressure while the piston goes home and draws below nothing;
     * the other front must follow it, and every such vehicle be computed to its end.
     */
    public function testAMeteringValveGivesBackBelowNothing(): void
    {
        $faults = World::catalogue()->faults;
        $layout = World::layout('old-saloon');
        foreach (['pipe.crushed', 'joint.leaks'] as $id) {
            $shown = World::prediction($layout)->fault($faults->of($id));
            self::assertSame(\count(Particles::ofFault($faults->of($id), $layout)), $shown->particles);
        }
    }
}
