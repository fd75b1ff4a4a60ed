<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Vehicle;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\LiningLeft;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vehicle\PadWear;
use Rodrel\Core\Vehicle\RotorRound;

/** What figures from a gauge say: worked out by hand. */
final class MeasuringTest extends TestCase
{
    private const EVEN = [22.0, 22.0, 22.0, 22.0, 22.0, 22.0, 22.0, 22.0];

    public function testARotorSwingsAboveTwoHundredthsOfAMillimetre(): void
    {
        $within = RotorRound::of([22.00, 22.01, 22.02, 22.02, 22.01, 22.00, 22.00, 22.01]);
        self::assertEqualsWithDelta(0.02, $within->variesMm, 1e-9);
        self::assertSame(['thickness' => 'even'], RotorRound::of(self::EVEN)->words());
        $over = RotorRound::of([22.00, 22.01, 22.03, 22.02, 22.01, 21.99, 22.00, 22.01]);
        self::assertEqualsWithDelta(0.04, $over->variesMm, 1e-9);
        self::assertSame(6, $over->thinnest);
        self::assertSame(['thickness' => 'swings'], $over->words());
        // 0.04 mm against 20 kN/mm is 800 N on a clamp of 16 kN: one twentieth of the torque
        self::assertEqualsWithDelta(0.05, $over->swing(20_000.0, 16_000.0), 1e-9);
    }

    /**
     * A wobble has one crest a turn. The chalk numbers go with the rotor: its own high spot keeps its number, the hub's
     * goes back by the hole that the rotor went on (a fifth of a turn: 8/5 places).
     */
    public function testTheHighSpotGoesWithTheRotorOrStaysWithTheHub(): void
    {
        $face = self::wobble(2.0);
        self::assertEqualsWithDelta(0.1, (float) RotorRound::of(self::EVEN, $face)->runsOutMm, 1e-3);
        self::assertSame('with-rotor', RotorRound::of(self::EVEN, $face, self::wobble(2.0), 5)->turned);
        self::assertSame('with-rotor', RotorRound::of(self::EVEN, $face, self::wobble(2.4), 5)->turned);
        self::assertSame('with-hub', RotorRound::of(self::EVEN, $face, self::wobble(2.0 - 8.0 / 5.0), 5)->turned);
        self::assertSame('with-hub', RotorRound::of(self::EVEN, $face, self::wobble(2.0 + 8.0 / 4.0), 4)->turned);
        self::assertNull(RotorRound::of(self::EVEN, $face)->turned, 'it was not turned');
        $words = Measuring::Round->words(self::sheet('t', self::EVEN) + self::sheet('f', self::wobble(5.0)));
        self::assertSame(['thickness' => 'even', 'run-out' => 'runs-out'], $words);
        $half = Measuring::Round->words(self::sheet('t', self::EVEN) + ['f1' => 0.0, 'f2' => 0.3]);
        self::assertSame(['thickness' => 'even'], $half, 'half a round says nothing of the face');
    }

    public function testDrumsAndShoes(): void
    {
        self::assertSame(['' => 'oval'], Measuring::Across->words(['width_a' => 228.6, 'width_b' => 228.4]));
        self::assertSame(['' => 'round'], Measuring::Across->words(['width_a' => 228.6, 'width_b' => 228.5]));
        self::assertSame(['left' => 'at-limit'], Measuring::Shoe->words(['leading' => 1.5, 'trailing' => 3.0]));
        self::assertSame(['left' => 'enough'], Measuring::Shoe->words(['leading' => 2.1, 'trailing' => 3.0]));
        $limit = ['measured' => 229.3, 'limit' => 229.6];
        self::assertSame(['' => 'within'], Measuring::Limit->words($limit, drum: true));
        self::assertSame(['' => 'past-limit'], Measuring::Limit->words($limit), 'a rotor must not be thinner');
    }

    /** 9 mm at 40 000 km, 6 mm at 55 000: 0.2 mm a thousand; 4 mm above the least are 20 000 km. */
    public function testKilometresLeft(): void
    {
        $left = LiningLeft::of([['km' => 40_000, 'mm' => 9.0], ['km' => 55_000, 'mm' => 6.0]], 2.0);
        self::assertEqualsWithDelta(4.0, $left->leftMm, 1e-9);
        self::assertEqualsWithDelta(0.2, (float) $left->mmPer1000Km, 1e-9);
        self::assertSame(20_000, $left->km);
        $new = LiningLeft::of(
            [['km' => 40_000, 'mm' => 3.0], ['km' => 41_000, 'mm' => 11.0], ['km' => 61_000, 'mm' => 8.0]],
            2.0,
        );
        self::assertSame(40_000, $new->km, 'new pads: 3 mm in 20 000 km, the old ones do not count');
        self::assertNull(LiningLeft::of([['km' => 40_000, 'mm' => 9.0]], 2.0)->km, 'one measurement has no pace');
        self::assertNull(LiningLeft::of([['km' => null, 'mm' => 9.0], ['km' => 50_000, 'mm' => 6.0]], 2.0)->km);
        self::assertSame(0, LiningLeft::of([['km' => 1, 'mm' => 4.0], ['km' => 10_001, 'mm' => 1.5]], 2.0)->km);
    }

    /** At 80 km/h a wheel of 0.3 m turns 22.2 / 1.885 = 11.8 times a second. */
    public function testAWheelsRate(): void
    {
        self::assertEqualsWithDelta(11.79, RotorRound::turnsPerSecond(80.0, 0.3), 0.01);
    }

    /**
     * Half a hole decides: of five holes 36°, eight tenths of a place. A crest that goes from place 1 to 8.5 has gone
     * half a place back, not seven and a half forward.
     */
    public function testHalfAHoleDecidesWhoCarriesTheHighSpot(): void
    {
        $turned = static fn (float $from, float $to, int $bolts = 5): ?string => RotorRound::of(
            self::EVEN,
            self::wobble($from),
            self::wobble($to),
            $bolts,
        )->turned;
        self::assertSame('with-rotor', $turned(3.0, 3.77));
        self::assertSame('with-hub', $turned(3.0, 3.83));
        self::assertSame('with-rotor', $turned(3.0, 2.23));
        self::assertSame('with-hub', $turned(3.0, 2.17));
        self::assertSame('with-rotor', $turned(1.0, 8.5));
        self::assertSame('with-rotor', $turned(6.0, 6.97, 4), 'of four holes a whole place');
        self::assertSame('with-hub', $turned(6.0, 7.03, 4));
        self::assertSame(2.0, RotorRound::of([4.0, 2.0, 3.0])->leastMm);
        self::assertSame(0.25, RotorRound::of([4.0, 4.5])->swing(0.5, 0.5), 'never divided by less than a newton');
        $runs = static fn (float $mm): array => RotorRound::of(self::EVEN, [0.0, $mm, 0.0])->words();
        self::assertSame('true', $runs(0.05)['run-out']);
        self::assertSame('runs-out', $runs(0.051)['run-out']);
    }

    /** Where a lining's own limits lie: half a millimetre is a gauge's error, 500 km are the least that tell a pace. */
    public function testLimitsOfLinings(): void
    {
        $left = static fn (array ...$seen): LiningLeft => LiningLeft::of(
            array_map(static fn (array $one): array => ['km' => $one[0], 'mm' => $one[1]], $seen),
            2.0,
        );
        self::assertSame(5000, $left([1000, 9.0], [1500, 8.0], [1600, 8.5], [3000, 7.0])->km, 'no new pads');
        self::assertNull($left([1000, 9.0], [1500, 8.0], [1600, 8.51])->km, 'new ones');
        self::assertSame(3000, $left([1000, 9.0], [1500, 8.0])->km);
        self::assertNull($left([1000, 9.0], [1499, 8.0])->km);
        self::assertNull($left([1000, 9.0], [9000, 9.0])->km, 'nothing has worn');
        self::assertEqualsWithDelta(2.0, (float) $left([1000, 9.0], [1500, 8.0])->mmPer1000Km, 1e-9);
        $worn = static fn (float ...$mm): string => PadWear::of(...$mm)->word;
        self::assertSame('even', $worn(6.0, 7.19, 7.0, 8.19), 'ends 1.2 apart, pads 1.0');
        self::assertSame('taper', $worn(6.0, 7.21, 7.0, 7.0));
        self::assertSame('taper', $worn(7.0, 7.0, 6.0, 7.21));
        self::assertSame('even', $worn(6.0, 6.0, 7.5, 7.5));
        self::assertSame('inner', $worn(6.0, 6.0, 7.5, 7.6));
        self::assertSame('outer', $worn(7.5, 7.6, 6.0, 6.0));
        $pads = PadWear::of(6.0, 5.0, 7.0, 6.0);
        self::assertSame(5.0, $pads->leastMm);
        // 5 of 10 mm in 20 000 km; the 3 above the least last 12 000 more
        self::assertEqualsWithDelta(12_000.0, (float) $pads->kmLeft(10.0, 20_000.0), 1e-6);
        self::assertEqualsWithDelta(3.0, (float) $pads->kmLeft(5.5, 0.5), 1e-9, 'half a millimetre worn');
        self::assertNull($pads->kmLeft(5.0, 20_000.0));
        self::assertNull($pads->kmLeft(10.0, 0.0));
        self::assertSame(0.0, PadWear::of(1.5, 2.0, 2.0, 2.0)->kmLeft(10.0, 20_000.0));
    }

    /** Words of the other sheets at their limits: presses wanted and half of them, rivets, limits reached. */
    public function testLimitsOfTheOtherSheets(): void
    {
        $stored = static fn (float $n): string => Measuring::Stored->words(['counted' => $n, 'wanted' => 7.0])[''];
        self::assertSame(['as-many', 'fewer', 'hardly-any'], array_map($stored, [7.0, 4.0, 3.0]));
        self::assertSame('fewer', Measuring::Stored->words(['counted' => 3.0, 'wanted' => 6.0])['']);
        self::assertSame(['' => 'round'], Measuring::Across->words(['width_a' => 0.15, 'width_b' => 0.0]));
        self::assertSame(['left' => 'at-limit'], Measuring::Shoe->words(['leading' => 3.0, 'trailing' => 1.5]));
        self::assertSame([], Measuring::Round->words([]), 'nothing was taken');
        self::assertTrue(Measuring::Round->mayMiss('f3'));
        self::assertFalse(Measuring::Round->mayMiss('t3'));
        self::assertFalse(Measuring::Stored->mayMiss('counted'));
        self::assertTrue(Measuring::Stored->mayMiss('gas'));
        self::assertFalse(Measuring::Across->mayMiss('width_a'));
        self::assertNull(Measuring::Stored->measures('wanted'));
        self::assertSame([Quantity::Pressure, Unit::Bar], Measuring::Stored->measures('lamp'));
        self::assertSame([Quantity::Volume, Unit::Millilitre], Measuring::Stored->measures('each'));
        self::assertSame([Quantity::Length, Unit::Millimetre], Measuring::Shoe->measures('leading'));
    }

    /** @return list<float> dial of a face that wobbles by a tenth, its crest at a place from 1 */
    private static function wobble(float $crest): array
    {
        return array_map(
            static fn (int $place): float => 0.05 * cos(2.0 * \M_PI * ($place - $crest) / 8.0),
            range(1, 8),
        );
    }

    /**
     * @param list<float> $values
     *
     * @return array<string, float>
     */
    private static function sheet(string $letter, array $values): array
    {
        return array_combine(array_map(static fn (int $n): string => $letter.$n, range(1, 8)), $values);
    }
}
