<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Physics\Accumulator;
use Rodrel\Core\Vehicle\Reach;

/**
 * By hand: gas 5000, full 20000, lamp 10000 kPa from nothing, 600 mL of gas. Filled slowly (n = 1) the gas is left
 * 600 · 5000/20000 = 150 mL and 450 mL of fluid are held; pressed out (n = 1.2) it has 150 · 2^(1/1.2) = 267.27 mL at
 * the lamp: at 20 mL a press 5.86 presses. With half the gas it is left 75 mL: half as many, 2.93.
 */
final class AccumulatorTest extends TestCase
{
    public function testPressesToTheLamp(): void
    {
        $sound = new Accumulator(4898.7, 600.0, 19898.7, 9898.7, 20.0);
        self::assertEqualsWithDelta(450.0, $sound->holdsMl(), 0.01);
        self::assertEqualsWithDelta(5.864, $sound->presses(), 0.001);
        self::assertEqualsWithDelta(19898.7, $sound->after(0.0), 0.01);
        self::assertEqualsWithDelta(9898.7, $sound->after($sound->presses()), 0.01);
        self::assertSame(0.0, $sound->after(30.0));
    }

    public function testWhatIsCountedTellsTheGas(): void
    {
        $sound = new Accumulator(4898.7, 600.0, 19898.7, 9898.7, 20.0);
        self::assertEqualsWithDelta(2.932, $sound->charged(2398.7)->presses(), 0.001);
        self::assertEqualsWithDelta(2398.7, (float) $sound->gasFor(2.9318), 2.0);
        // charged far over the lamp's pressure, the fluid is gone before it lights: 600 − 450 mL
        self::assertEqualsWithDelta(7.5, $sound->charged(14898.7)->presses(), 0.001);
        self::assertSame(0.0, $sound->gasFor(0.0));
        self::assertNull($sound->gasFor(20.0), 'no charge below the lamp gives so many');
    }

    public function testALampAboveFullPressureIsRefused(): void
    {
        $this->expectException(InvalidData::class);
        new Accumulator(5000.0, 600.0, 9000.0, 10000.0, 20.0);
    }

    /**
     * The typical ones until the service data's are typed. A unit of a road vehicle: 250 · 8101.3/18101.3 = 111.9 mL of
     * gas when full, 1.5618 times that at its lamp: 62.9 mL, five presses of 12 mL. A machine's: 750 mL over 5500 kPa,
     * 278.2 mL, 1.5250 times that, 30 a press: 4.9. And what is at the limit of what can belong together.
     */
    public function testTypicalOnes(): void
    {
        $typical = [[Reach::Unit, 138.11, 5.238], [Reach::WetDiscs, 471.81, 4.868]];
        foreach ($typical as [$reach, $full, $n]) {
            $typical = Accumulator::typical($reach);
            self::assertEqualsWithDelta($full, $typical->holdsMl(), 0.1);
            self::assertEqualsWithDelta($n, $typical->presses(), 0.01);
        }
        self::assertSame(0.0, (new Accumulator(5.0, 1.0, 2.0, 1.0, 0.1))->holdsMl());
        $gasless = [[-1.0, 1.0, 2.0, 1.0, 0.1], [0.0, 0.0, 2.0, 1.0, 0.1]];
        foreach ([...$gasless, [0.0, 1.0, 2.0, 1.0, 0.0], [0.0, 1.0, 1.0, 1.0, 0.1]] as $wrong) {
            try {
                new Accumulator(...$wrong);
                self::fail(implode(' ', $wrong));
            } catch (InvalidData $refused) {
                self::assertSame('/stored', $refused->path);
            }
        }
    }
}
