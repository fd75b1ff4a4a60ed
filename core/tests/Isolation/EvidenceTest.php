<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Evidence;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * How likely one answer is, by hand: a hose (three quarters of what is believed) and a caliper, and rows written down
 * here. A column holds the hose, the caliper and both at once, each first in turn: their product over the average.
 */
final class EvidenceTest extends TestCase
{
    private const YES_NO = ['words' => ['yes', 'no'], 'table' => [[0.9, 0.1], [0.1, 0.9]]];

    /**
     * 0.9 with 2 % of slips in it is (0.9 − 0.01)/0.98 = 0.908163 without. A job of many slips has them 2.5 or five
     * times: 0.95 and 0.9 of that, and half of the rest.
     */
    public function testSlips(): void
    {
        $row = $this->evidence(['blunder' => 0.02] + self::YES_NO);
        foreach ([[0.9, 0.1], [0.887755, 0.112245], [0.867347, 0.132653]] as $f => [$hose, $caliper]) {
            $both = $hose * $caliper / (0.75 * $hose + 0.25 * $caliper);
            self::assertEqualsWithDelta([$hose, $caliper, $both, $both], $row->columns[$f][0], 1e-6);
        }
        self::assertSame([1.0], $row->weights);
        self::assertSame('', $row->cause);
        // a tenth five times would be a half: nothing is wrong oftener than 0.4
        $often = $this->evidence(['blunder' => 0.1] + self::YES_NO)->columns[2][0][0];
        self::assertEqualsWithDelta(0.6 * (0.9 - 0.05) / 0.9 + 0.4 * 0.5, $often, 1e-9);
        $sure = $this->evidence(['blunder' => 0.0] + self::YES_NO)->columns[2][0];
        self::assertEqualsWithDelta([0.9, 0.1, 0.09 / 0.7, 0.09 / 0.7], $sure, 1e-12);
    }

    /** Unsure counts half: the root of it. */
    public function testWhatCountsHalf(): void
    {
        $row = ['blunder' => 0.0] + self::YES_NO;
        $unsure = $this->evidence($row, unsure: true)->columns[0][0];
        self::assertEqualsWithDelta(sqrt(0.9), $unsure[0], 1e-12);
        $average = 0.75 * sqrt(0.9) + 0.25 * sqrt(0.1);
        self::assertEqualsWithDelta(sqrt(0.9) * sqrt(0.1) / $average, $unsure[2], 1e-12);
    }

    /** Two takes that differ: as likely one as the other, 0.5 for both; three: what was said oftenest. */
    public function testTakes(): void
    {
        $row = ['blunder' => 0.0] + self::YES_NO;
        $takes = fn (array $earlier): array => $this->evidence($row, earlier: $earlier)->columns[0][0];
        self::assertEqualsWithDelta([0.5, 0.5, 0.5, 0.5], $takes(['no']), 1e-12);
        $yes = [0.9, 0.1, 0.09 / 0.7, 0.09 / 0.7];
        self::assertEqualsWithDelta($yes, $takes(['yes']), 1e-12);
        self::assertEqualsWithDelta($yes, $takes(['no', 'yes']), 1e-12);
        // 0.09 over the average of 0.3
        self::assertEqualsWithDelta([0.1, 0.9, 0.3, 0.3], $takes(['no', 'no']), 1e-12);
        $slips = $this->evidence(['blunder' => 0.02] + self::YES_NO, earlier: ['no'])->columns[0][0];
        self::assertEqualsWithDelta([0.5, 0.5, 0.5, 0.5], $slips, 1e-9);
    }

    /**
     * Limits a deviation off in noise of 5, of which 3 are shared: left to itself 4. The third word lies above 1.25
     * deviations of what is left; a cause 1.3556 up brings that to 0.2333. Five points where much is shared, three
     * where little is: a cause 1.7321 · 0.2 up in noise of 1 leaves (1 − 0.34641)/0.9798.
     */
    public function testACauseThatIsShared(): void
    {
        $shared = ['words' => ['low', 'mid', 'high'], 'blunder' => 0.0, 'cause' => 'hand'];
        $shared['table'] = [[0.1586553, 0.6826894, 0.1586553], [0.1586553, 0.6826894, 0.1586553]];
        $much = $this->evidence(['noise' => 5.0, 'common' => 3.0] + $shared, 'high');
        self::assertCount(5, $much->weights);
        self::assertSame('hand', $much->cause);
        foreach ([2 => 0.1056498, 3 => 0.407772, 1 => 0.011704] as $point => $chance) {
            self::assertEqualsWithDelta($chance, $much->columns[0][$point][0], 1e-5, "point $point");
        }
        $little = $this->evidence(['noise' => 1.0, 'common' => 0.2] + $shared, 'high');
        self::assertCount(3, $little->weights);
        // 1 − Φ(0.66706)
        self::assertEqualsWithDelta(0.252367, $little->columns[0][2][0], 1e-4);
        self::assertCount(5, $this->evidence(['noise' => 1.0, 'common' => 0.3] + $shared, 'high')->weights);
        self::assertCount(3, $this->evidence(['noise' => 1.0, 'common' => 0.29] + $shared, 'high')->weights);
        $torn = $this->evidence(['noise' => 5.0, 'common' => 3.0] + $shared, 'high', earlier: ['low']);
        self::assertEqualsWithDelta(0.1056498, $torn->columns[0][2][0], 1e-5, 'as likely high as low in the middle');
        self::assertEqualsWithDelta(0.5 * (0.407772 + 0.011704), $torn->columns[0][3][0], 1e-5);
    }

    /**
     * 10 typed where the hose shows 10 and the caliper 20, with 0.5 of noise of which 0.3 are shared: 1/(10 · 0.4 ·
     * √2π) and e^(−(ln 2/0.4)²/2) of that. A slip falls anywhere up to half over the largest number, 30.
     */
    public function testNumbers(): void
    {
        $row = ['medians' => [10.0, 20.0], 'sound' => 8.0, 'noise' => 0.5, 'common' => 0.3, 'cause' => 'drive'];
        $row += ['blunder' => 0.02] + self::YES_NO;
        $read = $this->evidence($row, number: 10.0);
        $hose = 0.0997356;
        self::assertEqualsWithDelta(0.98 * $hose + 0.02 / 30.0, $read->columns[0][2][0], 1e-6);
        self::assertEqualsWithDelta(0.98 * 0.222814 * $hose + 0.02 / 30.0, $read->columns[0][2][1], 1e-6);
        // the drive 1.3556 deviations warmer: both medians e^(0.40669) as high
        $warm = exp(-0.5 * (0.40669 / 0.4) ** 2);
        self::assertEqualsWithDelta(0.98 * $hose * $warm + 0.02 / 30.0, $read->columns[0][3][0], 1e-6);
        self::assertSame([0, 1, 2, 3], $read->index);
        $sound = $this->evidence(['sound' => 15.0] + $row, number: 10.0)->columns[2][2][0];
        self::assertEqualsWithDelta(0.9 * $hose + 0.1 / 45.0, $sound, 1e-6, 'twice what a sound one shows');
        $this->expectException(InvalidData::class);
        $this->evidence(['blunder' => 0.0] + self::YES_NO, number: 10.0);
    }

    /**
     * Points and weights for a normal: its moments are 1, 0, 1, 3 (and 15, 105 of five points); shares of slips are 1.
     */
    public function testThePointsOfACause(): void
    {
        $evidence = new \ReflectionClass(Evidence::class);
        $constant = static fn (string $name): array => (array) $evidence->getConstant($name);
        foreach (['FEW' => [1.0, 1.0, 3.0], 'MANY' => [1.0, 1.0, 3.0, 15.0, 105.0]] as $name => $moments) {
            foreach ($moments as $k => $moment) {
                $sum = $odd = 0.0;
                foreach ($constant($name) as [$z, $weight]) {
                    $sum += $weight * $z ** (2 * $k);
                    $odd += $weight * $z ** (2 * $k + 1);
                }
                self::assertEqualsWithDelta($moment, $sum, 1e-5 * $moment, "$name, ".(2 * $k));
                self::assertEqualsWithDelta(0.0, $odd, 1e-6);
            }
        }
        self::assertEqualsWithDelta(1.0, array_sum(array_column(Evidence::SLIPS, 1)), 1e-12);
    }

    /**
     * @param array<string, mixed> $row
     * @param list<string> $earlier
     */
    private function evidence(
        array $row,
        string $word = '',
        bool $unsure = false,
        array $earlier = [],
        ?float $number = null,
    ): Evidence {
        $field = $this->field($row);
        $reading = new Reading(
            'a',
            CheckAt::of('push', 'vehicle'),
            ['' => '' === $word ? 'yes' : $word],
            $unsure,
            self::at(),
            null === $number ? [] : ['' => $number],
            [] === $earlier ? null : new HowTaken([], 1 + \count($earlier), ['' => $earlier]),
        );

        return Evidence::of($field, Opening::first($field, Context::none(), 0.15), 0, $reading)[0];
    }

    /** @param array<string, mixed> $row */
    private function field(array $row): Field
    {
        $toy = ToyField::make();
        $row += ['index' => [0, 1], 'noise' => 0.0, 'cause' => '', 'common' => 0.0];
        $signature = Signature::fromArray([
            'format' => 3,
            'key' => 'evidence',
            'particles' => 2,
            'simulations' => 0,
            'rows' => ['push@vehicle' => $row],
        ]);

        return Field::of($toy->knowledge, $toy->layout, $signature);
    }

    private static function at(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-01 10:00:00');
    }
}
