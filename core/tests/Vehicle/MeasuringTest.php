<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Vehicle;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Vehicle\LiningLeft;
use Rodrel\Core\Vehicle\Measuring;
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
