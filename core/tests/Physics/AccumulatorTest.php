<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Physics\Accumulator;
use Rodrel\Core\Vehicle\Reach;

/**
 * By hand, p Vⁿ with n = 1.2 and 101.3 kPa of air: gas 5000, full 20000, lamp 10000 kPa from nothing, 600 mL of gas.
 * Full holds 600 (1 − 0.25^(1/1.2)) = 600 (1 − 0.31498) = 411.0 mL, the lamp 600 (1 − 0.5^(1/1.2)) = 263.3 mL; at
 * 20 mL a press that is 147.8 / 20 = 7.39 presses. With half the gas each volume of gas shrinks by
 * 0.5^(1/1.2) = 0.56123: 4.15.
 */
final class AccumulatorTest extends TestCase
{
    public function testPressesToTheLamp(): void
    {
        $sound = new Accumulator(4898.7, 600.0, 19898.7, 9898.7, 20.0);
        self::assertEqualsWithDelta(411.0, $sound->holdsMl(19898.7), 0.1);
        self::assertEqualsWithDelta(263.3, $sound->holdsMl(9898.7), 0.1);
        self::assertSame(0.0, $sound->holdsMl(4000.0), 'below its gas it is empty');
        self::assertEqualsWithDelta(7.39, $sound->presses(), 0.01);
        self::assertEqualsWithDelta(19898.7, $sound->after(0.0), 0.01);
        self::assertEqualsWithDelta(9898.7, $sound->after($sound->presses()), 0.01);
        self::assertSame(0.0, $sound->after(30.0));
    }

    public function testWhatIsCountedTellsTheGas(): void
    {
        $sound = new Accumulator(4898.7, 600.0, 19898.7, 9898.7, 20.0);
        self::assertEqualsWithDelta(4.15, $sound->charged(2398.7)->presses(), 0.01);
        self::assertEqualsWithDelta(2398.7, (float) $sound->gasFor(4.1464), 2.0);
        self::assertSame(0.0, $sound->gasFor(0.0));
        self::assertNull($sound->gasFor(20.0), 'no charge below the lamp gives so many');
    }

    public function testALampAboveFullPressureIsRefused(): void
    {
        $this->expectException(InvalidData::class);
        new Accumulator(5000.0, 600.0, 9000.0, 10000.0, 20.0);
    }

    /**
     * The typical ones until the service data's are typed. A unit of a road vehicle: 250 (1 − (8101.3/18101.3)^(1/1.2))
     * = 122.1 mL full, 250 (1 − (8101.3/10601.3)^(1/1.2)) = 50.2 at its lamp: six presses of 12 mL. A machine's:
     * 750 mL over 5500 kPa, 30 a press: 421.8 and 249.5, so 5.7. And what is at the limit of what can belong together.
     */
    public function testTypicalOnes(): void
    {
        $typical = [[Reach::Unit, 122.07, 50.20, 5.989], [Reach::WetDiscs, 421.81, 249.53, 5.743]];
        foreach ($typical as [$reach, $full, $lamp, $n]) {
            $typical = Accumulator::typical($reach);
            self::assertEqualsWithDelta($full, $typical->holdsMl($typical->fullKpa), 0.1);
            self::assertEqualsWithDelta($lamp, $typical->holdsMl($typical->lampKpa), 0.1);
            self::assertEqualsWithDelta($n, $typical->presses(), 0.01);
        }
        self::assertSame(0.0, (new Accumulator(0.0, 1.0, 2.0, 1.0, 0.1))->holdsMl(0.0));
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
