<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\ComplaintChances;
use Rodrel\Core\Check\Probes;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Model\Program;
use Rodrel\Core\Model\VehicleSimulator;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Corner;

final class ProbesTest extends TestCase
{
    /** Front piston 57 mm: 25.5 cm², so 1.5 mL/s for 4 s is 2.35 mm; c 2.2e-4 mL/kPa drains through G in c/G. */
    #[DataProvider('providePushBack')]
    public function testAPushedBackPiston(float $returnConductance, float $movedMm, ?float $leftShare): void
    {
        $effects = new Effects(['hose@lf' => ['gr' => $returnConductance]]);
        [$probes, $run] = $this->pressed($effects);
        $read = $probes->pushBack($run, Corner::LeftFront);
        self::assertEqualsWithDelta($movedMm, $read['moved_mm'], max(0.1, 0.04 * $movedMm));
        if (null !== $leftShare) {
            self::assertEqualsWithDelta($leftShare, $read['left_share'], 0.03);
        }
    }

    /** @return iterable<string, array{float, float, float|null}> */
    public static function providePushBack(): iterable
    {
        yield 'sound' => [0.15, 2.4, 0.0];
        yield '1e-3: 588 kPa · 1e-3 · 4 s = 2.35 mL, 0.9 mm' => [1e-3, 0.9, 0.0];
        yield '1e-4: 0.09 mm, e^(−5/2.2) = 0.10 left' => [1e-4, 0.09, 0.10];
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

    public function testOpeningBelowTheFaultFreesTheWheelAndOpeningAboveDoesNot(): void
    {
        $simulator = new VehicleSimulator(World::layout());
        $probes = new Probes(World::layout(), $simulator);
        $sound = $simulator->run(Program::press(150.0), Effects::none());
        $freed = static function (array $fault) use ($simulator, $probes, $sound): string {
            $run = $simulator->run(Program::press(150.0), new Effects($fault));
            $said = '';
            foreach (['wheel', 'hose-top', 'modulator-outlet', 'master-outlet', 'eased'] as $joint) {
                $read = $probes->opened($run, $sound, Corner::LeftFront, $joint);
                self::assertGreaterThan(90.0, $read['before_n'], 'stuck before '.$joint);
                $said .= $read['after_n'] < 25.0 ? 'F' : 'S';
            }

            return $said;
        };
        self::assertSame('FSSSS', $freed(['hose@lf' => ['gr' => 1e-6]]), 'hose');
        self::assertSame('FFSSS', $freed(['pipe@lf' => ['gr' => 1e-6]]), 'pipe');
        self::assertSame('FFFSS', $freed(['inlet-valve@lf' => ['gr' => 1e-6]]), 'inlet valve');
        self::assertSame('FFFFF', $freed(['chamber@primary' => ['rest' => 0.6]]), 'piston stops short');
        self::assertSame('SSSSS', $freed(['brake@lf' => ['apply' => 1600, 'hold' => 1600]]), 'piston stuck out');
    }

    /** Φ at round numbers, from a printed table of the normal distribution. */
    public function testTheNormalDistribution(): void
    {
        foreach (['0.0' => 0.5, '1.0' => 0.841345, '-1.0' => 0.158655, '1.96' => 0.975002, '-3.0' => 0.001350] as $z => $phi) {
            self::assertEqualsWithDelta($phi, Chance::normal((float) $z), 1e-6);
        }
        self::assertEqualsWithDelta(0.5, Chance::below(90.0, 90.0, 0.4), 1e-6, 'half of the readings of a value at the limit fall below it');
    }

    public function testADriverNamesTheWheelThatDrags(): void
    {
        $brake = ['lf' => 1223.0, 'rf' => 1223.0, 'lr' => 360.0, 'rr' => 360.0];
        $easy = ['lf' => 0.4, 'rf' => 0.4, 'lr' => 0.4, 'rr' => 0.4];
        $one = ComplaintChances::of(['lf' => 100.0, 'rf' => 0.0, 'lr' => 0.0, 'rr' => 0.0], $brake, $brake, 1.0, 0.0, 0.0, $easy);
        self::assertEqualsWithDelta(1.0, array_sum($one), 1e-9);
        self::assertEqualsWithDelta(0.8 * (1.0 - exp(-4.0)), $one['drags-lf'], 1e-9, 'noticed by 1 − e^(−100/25), one in five calls it a pull');
        $front = ComplaintChances::of(['lf' => 100.0, 'rf' => 100.0, 'lr' => 0.0, 'rr' => 0.0], $brake, $brake, 1.0, 0.0, 0.0, $easy);
        self::assertGreaterThan(0.9, $front['drags-front']);
        $jerk = ComplaintChances::of(['lf' => 0.0, 'rf' => 0.0, 'lr' => 0.0, 'rr' => 0.0], $brake, $brake, 1.0, 0.6, 0.0, $easy);
        self::assertEqualsWithDelta(0.8 * (1.0 - exp(-9.0)), $jerk['pulls-left-first'], 1e-6, 'slow right wheel: to the left for a moment, 1 − e^−(0.6/0.2)²');
        $lock = ComplaintChances::of(['lf' => 0.0, 'rf' => 0.0, 'lr' => 0.0, 'rr' => 0.0], $brake, $brake, 1.0, 0.0, 0.0, ['lr' => 1.7] + $easy);
        self::assertGreaterThan(0.75, $lock['locks-rear']);
    }

    /** @return array{Probes, \Rodrel\Core\Model\VehicleRun} */
    private function pressed(Effects $effects): array
    {
        $simulator = new VehicleSimulator(World::layout());

        return [new Probes(World::layout(), $simulator), $simulator->run(Program::press(150.0), $effects)];
    }
}
