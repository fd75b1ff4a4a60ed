<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Heat;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Heat\Infrared;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Heat\TooBright;
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
}
