<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Heat;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Heat\Infrared;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Heat\TooBright;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

final class ThermalWheelTest extends TestCase
{
    /**
     * 25 N·m at 50 km/h on a tyre of 0.30 m is 25 · 13.89/0.30 = 1157 W. Without radiation 1157/5.889 = 196.5 K in
     * the end, time constant 2760/5.889 = 469 s, so after ten minutes 196.5·(1 − e^(−1.28)) = 142 K; radiation takes
     * about a tenth of it. The trade counts with 130 K.
     */
    public function testTenMinutesOfDrag(): void
    {
        $excess = ThermalWheel::of(World::handbook()->brake(Corner::LeftFront))->afterDrive(
            new Drive('coast', 50.0 / 3.6, 600.0, 0),
            static fn (): float => 25.0,
            0.0,
            0.3,
            20.0,
        );
        self::assertEqualsWithDelta(130.0, $excess, 6.0);
        self::assertLessThan(142.0, $excess);
    }

    /**
     * One stop of 1350 kg from 50 km/h is 130.2 kJ; a front wheel with 0.39 of it warms by 50.8 kJ / 2760 J/K = 18.4
     * K.
     */
    public function testOneStop(): void
    {
        $drive = new Drive('stop', 50.0 / 3.6, 5.0, 1);
        self::assertEqualsWithDelta(130208.0, $drive->stopJoule(1350.0), 1.0);
        self::assertEqualsWithDelta(
            18.4,
            ThermalWheel::of(World::handbook()->brake(Corner::LeftFront))->afterDrive(
                $drive,
                static fn (): float => 0.0,
                0.39 * $drive->stopJoule(1350.0),
                0.3,
                20.0,
            ),
            0.05,
        );
    }

    /**
     * Losses go with the surface, m^⅔, what has to leave with m: a rotor of 10 kg cools (10/6)^⅓ = 1.186 times as
     * slowly as one of 6 kg, one of 26 kg (26/6)^⅓ = 1.630 times: 16, 19 and 26 minutes.
     */
    public function testALargeRotorCoolsMoreSlowly(): void
    {
        $falls = static function (float $kg): float {
            $brake = World::handbook(changes: ['corners' => ['lf' => ['rotor_kg' => $kg]]])->brake(Corner::LeftFront);

            return 100.0 - ThermalWheel::of($brake)->afterStanding(100.0, 1.0, 20.0);
        };
        foreach ([10 => 1.1856, 26 => 1.6303] as $kg => $slower) {
            self::assertEqualsWithDelta($slower, $falls(6.0) / $falls((float) $kg), 0.002);
            self::assertEqualsWithDelta($slower, ThermalWheel::slower((float) $kg), 1e-4);
        }
    }

    /**
     * Standing, 2 W/K and a little radiation (0.1·σ·4·T³, 0.57 W/K at 293 K): 2760/2.57 = 1074 s, so 60 K fall to
     * e^(−960/1074) of it, less as it is hotter.
     */
    public function testStandingItCoolsWithAboutSixteenMinutes(): void
    {
        $left = ThermalWheel::of(World::handbook()->brake(Corner::LeftFront))->afterStanding(60.0, 960.0, 20.0);
        self::assertGreaterThan(60.0 * exp(-960.0 / 900.0), $left);
        self::assertLessThan(60.0 * exp(-960.0 / 1074.0), $left);
    }

    /**
     * A gun set to 0.95 at a rusty face of 0.9 reads 100 °C in 20 °C air: T⁴ = 293.15⁴ + 1.0556·(373.15⁴ − 293.15⁴) =
     * 7.385e9 + 1.267e10 gives 376.3 K.
     */
    public function testAnInfraredReadingIsCorrectedForItsSurfaceOrRefused(): void
    {
        self::assertEqualsWithDelta(103.2, Infrared::corrected(100.0, 20.0, 'rusty'), 0.6);
        self::assertEqualsWithDelta(100.0, Infrared::corrected(100.0, 20.0, 'rusty', 0.9), 1e-9);
        $this->expectException(TooBright::class);
        Infrared::corrected(100.0, 20.0, 'bright');
    }

    /**
     * The balance of the class comment, added up in steps of a hundredth of a second: another method than the fourth
     * order's. 6 kg of iron in a front wheel, 460 J/kgK, 0.1 m² that radiates, drag that dies away after each of two
     * stops, and then a standing time that no step divides.
     */
    public function testASecondMethodAgrees(): void
    {
        $brake = World::handbook()->brake(Corner::LeftFront);
        $wheel = ThermalWheel::of($brake);
        $byHand = static function (float $k, float $seconds, callable $watts, float $speed) use ($brake): float {
            for ($n = 0; $n < round($seconds * 100.0); ++$n) {
                $lost = (2.0 + 0.28 * $speed) * $k + 0.1 * 5.670374e-8 * ((278.15 + $k) ** 4 - 278.15 ** 4);
                $k += 0.01 * ($watts($n / 100.0) - $brake->lining->lossShare * $lost)
                    / (460.0 * $brake->lining->rotorKg);
            }

            return $k;
        };
        $drag = static fn (float $t): float => 60.0 * exp(-$t / 80.0);
        $watts = static fn (float $t): float => $drag($t) * 12.0 / 0.31;
        $stop = 40000.0 / (460.0 * $brake->lining->rotorKg);
        $once = $byHand(0.0, 130.0, $watts, 12.0) + $stop;
        $twice = $byHand($once, 130.0, $watts, 12.0) + $stop;
        $driven = $wheel->afterDrive(new Drive('two', 12.0, 260.0, 2), $drag, 40000.0, 0.31, 5.0);
        // the drag is taken in the middle of steps of 14 s: (14.4 / 80)² / 24 of it
        self::assertEqualsWithDelta($twice, $driven, 0.1);
        $none = static fn (): float => 0.0;
        self::assertEqualsWithDelta($byHand(150.0, 100.0, $none, 0.0), $wheel->afterStanding(150.0, 100.0, 5.0), 0.02);
        self::assertEqualsWithDelta($byHand(150.0, 7.0, $none, 0.0), $wheel->afterStanding(150.0, 7.0, 5.0), 0.02);
        self::assertSame(150.0, $wheel->afterStanding(150.0, 0.0, 5.0));
    }

    /** Worn grey metal (0.4) is corrected and weak, a painted face neither; what nobody knows is refused. */
    public function testHowFarASurfaceCanBeTrusted(): void
    {
        self::assertTrue(Infrared::isWeak('worn-grey'));
        self::assertFalse(Infrared::isWeak('painted'));
        // 293.15⁴ + 0.95/0.4·(333.15⁴ − 293.15⁴) = 7.385e9 + 2.375·4.933e9 = 1.910e10, its fourth root 371.8 K
        self::assertEqualsWithDelta(98.6, Infrared::corrected(60.0, 20.0, 'worn-grey'), 0.2);
        $this->expectException(TooBright::class);
        Infrared::corrected(60.0, 20.0, 'velvet');
    }

    /** A drive goes somewhere and takes some time. */
    public function testADriveThatIsNone(): void
    {
        $of = static fn (float $kmh, float $minutes): Drive => Drive::fromShape(
            'd',
            new Shape(['speed_kmh' => $kmh, 'minutes' => $minutes, 'stops' => 2]),
        );
        self::assertEquals(new Drive('d', 10.0, 90.0, 2), $of(36.0, 1.5));
        foreach ([[0.0, 1.0], [10.0, 0.0]] as [$kmh, $minutes]) {
            try {
                $of($kmh, $minutes);
                self::fail("$kmh km/h for $minutes min is no drive.");
            } catch (InvalidData $refused) {
                self::assertSame('/speed_kmh', $refused->path);
            }
        }
    }
}
