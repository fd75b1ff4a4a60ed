<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Quantity;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Quantity\InvalidMeasure;
use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;

final class MeasuredTest extends TestCase
{
    #[DataProvider('provideTyped')]
    public function testReadsWhatPeopleType(Quantity $quantity, string $typed, Unit $bare, float $core): void
    {
        $measured = Measured::parse($quantity, $typed, $bare);
        self::assertEqualsWithDelta($core, $measured->core, 1e-6 * max(1.0, abs($core)));
        self::assertSame(trim($typed), $measured->typed);
        self::assertEqualsWithDelta(
            $core,
            Measured::of($measured->unit, round($measured->in($measured->unit), 6))->core,
            1e-3,
        );
    }

    /** @return iterable<string, array{Quantity, string, Unit, float}> */
    public static function provideTyped(): iterable
    {
        yield 'bar' => [Quantity::Pressure, '1.2 bar', Unit::Kilopascal, 120.0];
        yield 'Fahrenheit: (180 − 32) · 5/9' => [Quantity::Temperature, '180 F', Unit::Celsius, 82.2222222];
        yield 'pound-foot: 26 · 1.3558179' => [Quantity::Torque, '26 lbft', Unit::NewtonMetre, 35.2512667];
        yield 'spelled with dots' => [Quantity::Torque, '26 lb·ft', Unit::NewtonMetre, 35.2512667];
        yield 'decimal comma, bare' => [Quantity::Length, '67,5', Unit::Millimetre, 67.5];
        yield 'bare takes the unit of the field' => [Quantity::Length, '2', Unit::Inch, 50.8];
        yield 'blank between thousands' => [Quantity::Pressure, '1 200 psi', Unit::Kilopascal, 8273.7087518];
        yield 'inches in eighths: 2.625 · 25.4' => [Quantity::Length, '2 5/8 in', Unit::Millimetre, 66.675];
        yield 'a fraction alone: 5/16 · 25.4' => [Quantity::Length, '5/16', Unit::Inch, 7.9375];
        yield 'a difference has no zero' => [Quantity::TemperatureDifference, '9 °F step', Unit::KelvinStep, 5.0];
        yield 'pounds of mass: 2000 · 0.45359237' => [Quantity::Mass, '2000 lb', Unit::Kilogram, 907.18474];
        yield 'below freezing' => [Quantity::Temperature, '-20', Unit::Celsius, -20.0];
    }

    #[DataProvider('provideWrong')]
    public function testSaysWhatIsWrong(Quantity $quantity, string $typed, string $key): void
    {
        try {
            Measured::parse($quantity, $typed, $quantity->coreUnit());
            self::fail('It was read.');
        } catch (InvalidMeasure $wrong) {
            self::assertSame($key, $wrong->key);
            self::assertStringContainsString($quantity->coreUnit()->value, $wrong->parameters['units']);
        }
    }

    /** Of what was typed no more is said back than fits a line. */
    /** Nothing is emptier than empty or colder than cold; a difference may go either way. */
    public function testWhatCannotBeLess(): void
    {
        self::assertSame(-101.325, Quantity::Pressure->floor());
        self::assertSame(-273.15, Quantity::Temperature->floor());
        self::assertSame(-\INF, Quantity::TemperatureDifference->floor());
        self::assertSame([0.0, 0.0, 0.0], [
            Quantity::Force->floor(),
            Quantity::Volume->floor(),
            Quantity::Time->floor(),
        ]);
    }

    public function testALongTextIsCut(): void
    {
        foreach (['measure.not-a-number' => '', 'measure.impossible' => '1'] as $key => $begins) {
            $typed = '' === $begins ? str_repeat('é', 41) : str_pad('-', 41, '9');
            try {
                Measured::parse(Quantity::Temperature, $typed, Unit::Celsius);
                self::fail('It was read.');
            } catch (InvalidMeasure $wrong) {
                self::assertSame([$key, mb_substr($typed, 0, 40)], [$wrong->key, $wrong->parameters['typed']]);
                self::assertSame(40, mb_strlen($wrong->parameters['typed']));
            }
        }
    }

    /** @return iterable<string, array{Quantity, string, string}> */
    public static function provideWrong(): iterable
    {
        yield 'nothing' => [Quantity::Pressure, '', 'measure.not-a-number'];
        yield 'a fraction of nothing' => [Quantity::Length, '1/0', 'measure.not-a-number'];
        yield 'words' => [Quantity::Torque, 'tight', 'measure.not-a-number'];
        yield 'two numbers' => [Quantity::Length, '3 mm 4', 'measure.unknown-unit'];
        yield 'a unit of something else' => [Quantity::Torque, '26 bar', 'measure.unknown-unit'];
        yield 'below vacuum' => [Quantity::Pressure, '-2 bar', 'measure.impossible'];
        yield 'a negative length' => [Quantity::Length, '-3', 'measure.impossible'];
        yield 'below absolute zero' => [Quantity::Temperature, '-300', 'measure.impossible'];
        yield 'endless' => [Quantity::Length, str_repeat('9', 400), 'measure.impossible'];
    }
}
