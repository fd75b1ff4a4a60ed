<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Observer\Common;
use Rodrel\Core\Check\Observer\Wording;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;

/** Against the tables of the normal distribution, and by hand. */
final class ChanceTest extends TestCase
{
    private const TABLE = [
        '0.5' => 0.6914624613, '1' => 0.8413447461, '1.5' => 0.9331927987, '2' => 0.9772498681,
        '2.5' => 0.9937903347, '3' => 0.9986501020, '4' => 0.9999683288,
    ];

    public function testTheNormalDistribution(): void
    {
        self::assertEqualsWithDelta(0.5, Chance::normal(0.0), 1e-7);
        foreach (self::TABLE as $z => $share) {
            self::assertEqualsWithDelta($share, Chance::normal((float) $z), 2e-7, "Φ($z)");
            self::assertEqualsWithDelta(1.0, Chance::normal(-(float) $z) / (1.0 - $share), 2e-6, "Φ(-$z)");
        }
        self::assertEqualsWithDelta(1.0, Chance::normal(-5.0) / 2.866516e-7, 1e-6);
    }

    public function testTheDeviateOfAShare(): void
    {
        foreach (
            [
                '0.5' => 0.0, '0.6' => 0.253347, '0.75' => 0.674490, '0.9' => 1.281552, '0.975' => 1.959964,
                '0.999' => 3.090232, '0.999999' => 4.753424,
            ] as $share => $z
        ) {
            self::assertEqualsWithDelta($z, Chance::deviate((float) $share), 3e-6, (string) $share);
            self::assertEqualsWithDelta(-$z, Chance::deviate(1.0 - (float) $share), 3e-6, "1 - $share");
        }
        self::assertSame(-8.0, Chance::deviate(0.0));
        self::assertSame(8.0, Chance::deviate(1.0));
    }

    /**
     * A reading of 10 with a fifth of noise: ln(12.214/10) = 0.2 is one deviation. Nothing counts as 2 % of a limit.
     */
    public function testReadingsWhoseErrorIsAShare(): void
    {
        self::assertEqualsWithDelta(0.8413447, Chance::below(10.0 * exp(0.2), 10.0, 0.2), 1e-6);
        self::assertEqualsWithDelta(0.1586553, Chance::above(10.0 * exp(0.2), 10.0, 0.2), 1e-6);
        // ln 50 / 2 = 1.956012 deviations
        self::assertEqualsWithDelta(0.974768, Chance::below(7.0, 0.0, 2.0), 1e-5);
        self::assertEqualsWithDelta(Chance::below(7.0, 0.0, 2.0), Chance::below(7.0, 0.13, 2.0), 1e-12);
        self::assertEqualsWithDelta(1.0, Chance::below(10.1, 10.0, 0.0), 1e-9, 'without noise it is certain');
        // at its middle 1/(x σ √2π), one deviation off e^(−1/2) of that, and all of it is one
        self::assertEqualsWithDelta(0.398942 / (10.0 * 0.2), Chance::density(10.0, 10.0, 0.2), 1e-6);
        self::assertEqualsWithDelta(0.241971 / (12.214028 * 0.2), Chance::density(12.214028, 10.0, 0.2), 1e-6);
        $sum = 0.0;
        for ($x = 0.05; $x < 40.0; $x += 0.1) {
            $sum += 0.1 * Chance::density($x, 10.0, 0.2);
        }
        self::assertEqualsWithDelta(1.0, $sum, 1e-4);
    }

    /**
     * Three words whose limits lie at −1 and +1 deviations of all noise (5), of which 3 is the cause: what is left is
     * 4. A cause one deviation up moves the limits to (−5 − 3)/4 = −2 and (5 − 3)/4 = 0.5. Averaged over the cause the
     * words have their own chances again.
     */
    public function testACauseThatIsKnown(): void
    {
        $chances = [0.1586553, 0.6826894, 0.1586553];
        $once = Common::once($chances, 5.0, 3.0, 1.0);
        foreach ([0.0227501, 0.6914625 - 0.0227501, 0.3085375] as $at => $expected) {
            self::assertEqualsWithDelta($expected, $once[$at], 1e-5);
            self::assertEqualsWithDelta($expected, Common::given($chances, $at, 5.0, 3.0, [0.0, 1.0])[1], 1e-5);
        }
        $sum = [0.0, 0.0, 0.0];
        for ($z = -6.0; $z <= 6.0; $z += 0.05) {
            foreach (Common::once($chances, 5.0, 3.0, $z) as $at => $chance) {
                $sum[$at] += 0.05 * exp(-0.5 * $z * $z) / sqrt(2.0 * \M_PI) * $chance;
            }
        }
        foreach ($chances as $at => $chance) {
            self::assertEqualsWithDelta($chance, $sum[$at], 1e-4);
        }
        // a cause that is all of the noise leaves no doubt: one deviation up is past a limit at a half
        self::assertEqualsWithDelta(1.0, Common::once([0.6914625, 0.3085375], 2.0, 2.0, 1.0)[1], 1e-6);
        self::assertEqualsWithDelta(1.0, Common::once([0.6914625, 0.3085375], 2.0, 2.0, 0.4)[0], 1e-6);
    }

    /** Words, where they divide, and slips: 2 % unless a row says otherwise, shared among all words. */
    public function testTheWordsOfARow(): void
    {
        $of = static fn (array $more): Wording => Wording::fromShape(new Shape($more + [
            'words' => ['free', 'light', 'hard'],
            'limits' => [10, 40],
            'sigma' => 0.3,
            'scatter' => 0.4,
        ]));
        $plain = $of([]);
        self::assertEqualsWithDelta(0.5, $plain->noise, 1e-12);
        self::assertEqualsWithDelta(1.3, $of(['common' => ['cause' => 'hand', 'noise' => 1.2]])->noise, 1e-12);
        self::assertSame(['free', 'light', 'light', 'hard'], array_map($plain->wordFor(...), [9.9, 10.0, 39.9, 40.0]));
        self::assertSame('free', $plain->wordFor(19.9, 2.0));
        self::assertSame('light', $plain->wordFor(20.0, 2.0));
        self::assertSame('free', $plain->best());
        $slips = $plain->withBlunder([1.0, 0.0, 0.0]);
        self::assertEqualsWithDelta(0.98 + 0.02 / 3.0, $slips[0], 1e-12);
        self::assertEqualsWithDelta(0.02 / 3.0, $slips[2], 1e-12);
        self::assertEqualsWithDelta(0.1, $of(['blunder' => 0.3])->withBlunder([1.0, 0.0, 0.0])[1], 1e-12);
        foreach (
            [
                'none of them twice' => ['words' => ['free', 'free']],
                'at least two' => ['words' => ['free']],
                'limits rise' => ['limits' => [40, 10]],
                'from word to word' => ['limits' => [10, 10]],
            ] as $said => $wrong
        ) {
            try {
                $of($wrong);
                self::fail("It was read: $said");
            } catch (InvalidData $refused) {
                self::assertStringContainsString($said, $refused->getMessage());
            }
        }
    }
}
