<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Physics\Accumulator;

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
}
