<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\Piston;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleRun;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

final class ProbesTest extends TestCase
{
    /** Front piston 57 mm: 25.5 cm², so 1.5 mL/s for 4 s is 2.35 mm; c 2.2e-4 mL/kPa drains through G in c/G. */
    #[DataProvider('providePushBack')]
    public function testAPushedBackPiston(float $returnConductance, float $movedMm, ?float $leftShare): void
    {
        $effects = new Effects(['hose@lf' => ['gr' => $returnConductance]]);
        [$probes, $run] = $this->pressed($effects);
        $read = $probes->pushBack($run, Corner::LeftFront, 0.0);
        self::assertEqualsWithDelta($movedMm, $read->movedMm, max(0.1, 0.04 * $movedMm));
        if (null !== $leftShare) {
            self::assertEqualsWithDelta($leftShare, $read->leftShare, 0.03);
        }
    }

    /**
     * 1500 N on 25.5 cm² are 588 kPa: a hose that keeps back 600 kPa lets nothing past, one that keeps 100 hinders it.
     */
    public function testWhatHoldsHindersThePush(): void
    {
        foreach ([[600.0, 0.0], [100.0, 0.77]] as [$holdKpa, $movedMm]) {
            [$probes, $run] = $this->pressed(new Effects(['hose@lf' => ['hold' => $holdKpa, 'gr' => 1e-3]]));
            self::assertEqualsWithDelta($movedMm, $probes->pushBack($run, Corner::LeftFront, 0.0)->movedMm, 0.04);
        }
    }

    public function testAPortIsCoveredByAPistonThatStartsOrRestsForward(): void
    {
        self::assertTrue((new Piston('primary', 6.2, 0.0, 0.0, 10.0))->portOpens());
        self::assertFalse((new Piston('primary', 6.2, 0.0, 0.1, 10.0))->portOpens());
        self::assertFalse((new Piston('primary', 6.2, 0.1, 0.0, 10.0))->portOpens());
        self::assertFalse((new Piston('primary', 6.2, 0.0, 0.0, 10.0, 0.0))->portOpens());
    }

    /** @return iterable<string, array{float, float, float|null}> */
    public static function providePushBack(): iterable
    {
        yield 'sound' => [0.15, 2.4, 0.0];
        yield '1e-3: 588 kPa · 1e-3 · 4 s = 2.35 mL, 0.9 mm' => [1e-3, 0.9, 0.0];
        yield '1e-4: 0.09 mm, e^(−5/2.2) = 0.10 left' => [1e-4, 0.09, 0.1];
        yield '3e-5: e^(−5/7.3) = 0.51 left' => [3e-5, 0.03, 0.51];
        yield '1e-6: e^(−5/220) = 0.98 left' => [1e-6, 0.001, 0.98];
    }

    /** Half a metre of head, 5.15 kPa, over 1/1.05 + 2/0.8 + 1/0.2 + 1/0.4 + 1/G + 1/1. */
    #[DataProvider('provideOpenLine')]
    public function testAnOpenLineRunsByItself(float $hose, float $mlPerS): void
    {
        [$probes, $run] = $this->pressed(new Effects(['hose@lf' => ['gf' => $hose, 'gr' => 1e-6]]));
        self::assertEqualsWithDelta($mlPerS, $probes->openLineMlPerS($run, Corner::LeftFront), 0.02 * $mlPerS);
    }

    /** @return iterable<string, array{float, float}> */
    public static function provideOpenLine(): iterable
    {
        yield 'sound toward the wheel, though it blocks the way back: a stream' => [0.15, 0.277];
        yield '0.002: 5.15 / 511.95, a drop of 0.04 mL each 4 s' => [0.002, 0.01006];
        yield '2e-4: 5.15 / 5011.95, a drop each 40 s' => [2e-4, 0.001028];
    }

    /** A blocked vent keeps what ten quick releases drew in; the cap loosened lets it go, a blocked port does not. */
    public function testTheCapLetsOutWhatItsVentKeptIn(): void
    {
        $sound = World::subject(World::evenPipes());
        $vent = $sound->with(new Effects(['reservoir' => ['vent' => 0.0]]));
        $shut = ['port' => 0.0];
        $port = $sound->with(new Effects(['chamber@primary' => $shut, 'chamber@secondary' => $shut]));
        $held = $vent->trap(Corner::LeftFront, Joint::Cap);
        self::assertGreaterThan(25.0, $held->beforeN, 'held after ten presses');
        self::assertLessThan(0.5 * $held->beforeN, $held->afterN);
        $stays = $port->trap(Corner::LeftFront, Joint::Cap);
        self::assertEqualsWithDelta($stays->beforeN, $stays->afterN, 1.0);
        self::assertEqualsWithDelta($held->beforeN, $stays->beforeN, 1.0, 'with the cap on the two are one');
    }

    public function testOpeningBelowTheFaultFreesTheWheelAndOpeningAboveDoesNot(): void
    {
        $probes = new Instruments(World::evenPipes());
        $simulator = $probes->simulator;
        $sound = $simulator->run(Program::press(150.0), Effects::none());
        $freed = static function (array $fault) use ($simulator, $probes, $sound): string {
            $run = $simulator->run(Program::press(150.0), new Effects($fault));
            $said = '';
            foreach (Joint::cases() as $joint) {
                $read = $probes->opened($run, $sound, Corner::LeftFront, $joint);
                self::assertGreaterThan(90.0, $read->beforeN, 'stuck before '.$joint->value);
                $said .= $read->afterN < 25.0 ? 'F' : 'S';
            }

            return $said;
        };
        self::assertSame('FSSSSS', $freed(['hose@lf' => ['gr' => 1e-6]]), 'hose');
        self::assertSame('FFSSSS', $freed(['pipe@lf' => ['gr' => 1e-6]]), 'pipe');
        self::assertSame('FFFSSS', $freed(['inlet-valve@lf' => ['gr' => 1e-6]]), 'inlet valve');
        self::assertSame('FFFFFS', $freed(['chamber@primary' => ['rest' => 0.6]]), 'piston stops short');
        self::assertSame('SSSSSS', $freed(['brake@lf' => ['apply' => 1600, 'hold' => 1600]]), 'piston stuck out');
    }

    /** Φ at round numbers, from a printed table of the normal distribution. */
    public function testTheNormalDistribution(): void
    {
        foreach (
            ['0.0' => 0.5, '1.0' => 0.841345, '-1.0' => 0.158655, '1.96' => 0.975002, '-3.0' => 0.00135] as $z => $phi
        ) {
            self::assertEqualsWithDelta($phi, Chance::normal((float) $z), 1e-6);
        }
        self::assertEqualsWithDelta(
            0.5,
            Chance::below(90.0, 90.0, 0.4),
            1e-6,
            'half of the readings of a value at the limit fall below it',
        );
    }

    /**
     * 100 N·m of drag is noticed by 1 − e^(−100/25); one driver in five whose vehicle drags on one side calls it a
     * pull, and for 100 of those 15 more say that it pulls after letting go.
     * A slow hose at the right front jerks to the left; a tacky lining at the left rear locks the rear.
     */
    public function testADriverNamesTheWheelThatDrags(): void
    {
        $sound = World::subject(World::evenPipes());
        $said = static function (array $fault) use ($sound): array {
            $subject = $sound->with(new Effects($fault));

            return array_combine(World::catalogue()->complaints->words(), $subject->complaints());
        };
        $one = $said(['brake@lf' => ['extra_drag' => 100.0]]);
        self::assertEqualsWithDelta(1.0, array_sum($one), 1e-9);
        self::assertEqualsWithDelta(0.77 * (1.0 - exp(-4.0)), $one['drags-lf'], 1e-3);
        self::assertGreaterThan(0.19, $one['pulls-left']);
        self::assertLessThan(0.01, $one['pulls-right']);
        $right = $said(['brake@rf' => ['extra_drag' => 100.0]]);
        self::assertEqualsWithDelta($one['pulls-left'], $right['pulls-right'], 1e-3, 'the mirror image');
        $front = $said(['brake@lf' => ['extra_drag' => 100.0], 'brake@rf' => ['extra_drag' => 100.0]]);
        self::assertGreaterThan(0.9, $front['drags-front']);
        $slow = ['gf' => 1e-3, 'gr' => 1e-3];
        self::assertGreaterThan(0.4, $said(['hose@rf' => $slow])['pulls-left-first']);
        self::assertGreaterThan(0.4, $said(['hose@lf' => $slow])['pulls-right-first']);
        // one rear wheel alone is named by most, both together by nobody
        $grabs = ['friction' => 0.55];
        $left = $said(['brake@lr' => $grabs]);
        self::assertGreaterThan(1.5 * $left['locks-rear'], $left['locks-lr']);
        self::assertGreaterThan(0.7, $left['locks-lr'] + $left['locks-rear']);
        $both = $said(['brake@lr' => $grabs, 'brake@rr' => $grabs]);
        self::assertGreaterThan(0.6, $both['locks-rear']);
        self::assertLessThan(0.05, $both['locks-lr'] + $both['locks-rr']);
    }

    /** @return array{Instruments, VehicleRun} */
    private function pressed(Effects $effects): array
    {
        $instruments = new Instruments(World::evenPipes());

        return [$instruments, $instruments->simulator->run(Program::press(), $effects)];
    }
}
