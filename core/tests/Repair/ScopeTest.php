<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Repair;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Labour;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Repair\PartOption;
use Rodrel\Core\Repair\Repair;
use Rodrel\Core\Repair\Scope;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** Money before the first bolt, by hand: 100 cents a minute, 1 cent a millilitre. */
final class ScopeTest extends TestCase
{
    /**
     * 2600 + 75·100 + 200 = 10 300; linings 0.55·(5200 + 40·100) = 5060; a drum 0.1·(6400 + 1000) = 740, too rare for
     * the range.
     */
    public function testOneNumberWithARange(): void
    {
        $scope = Scope::of($this->cylinder(), Place::of('lr'), [], $this->labour(), false);
        self::assertEqualsWithDelta(10300.0, $scope->baseCents, 1e-6);
        self::assertEqualsWithDelta(10300.0 + 5060.0 + 740.0, $scope->expectedCents(), 1e-6);
        self::assertEqualsWithDelta(10300.0, $scope->lowCents(), 1e-6);
        self::assertEqualsWithDelta(10300.0 + 9200.0, $scope->highCents(), 1e-6);
    }

    /** 2600 for parts, 75 minutes at 100 cents, 200 mL at 3. */
    public function testWhatARepairCosts(): void
    {
        self::assertEqualsWithDelta(2600.0 + 7500.0 + 600.0, $this->cylinder()->costCents(100.0, 3.0), 1e-9);
    }

    /** Soaked linings were seen: certain (0.95) and in the lower end too; seen dry they all but drop out. */
    public function testWhatWasSeenCounts(): void
    {
        $look = static fn (string $word, string $at = 'lr'): array => [
            new Reading(
                'r',
                CheckAt::of('drum-look', $at),
                ['lining' => $word],
                false,
                new \DateTimeImmutable('2026-03-01'),
            ),
        ];
        self::assertEqualsWithDelta(
            10300.0 + 9200.0,
            Scope::of($this->cylinder(), Place::of('lr'), $look('soaked'), $this->labour(), false)->lowCents(),
            1e-6,
        );
        self::assertEqualsWithDelta(
            10300.0 + 0.05 * 9200.0 + 740.0,
            Scope::of($this->cylinder(), Place::of('lr'), $look('dry'), $this->labour(), false)->expectedCents(),
            1e-6,
        );
        self::assertEqualsWithDelta(
            16100.0,
            Scope::of(
                $this->cylinder(),
                Place::of('lr'),
                $look('soaked', 'rr'),
                $this->labour(),
                false,
            )->expectedCents(),
            1e-6,
            'the other wheel says nothing here',
        );
    }

    /** A school that always changes it: the drum's 7400 in full, in the lower end too. */
    public function testWhatTheShopAlwaysChangesIsCertain(): void
    {
        $scope = Scope::of($this->cylinder(), Place::of('lr'), [], $this->labour(), false, ['drum']);
        self::assertEqualsWithDelta(10300.0 + 7400.0, $scope->lowCents(), 1e-6);
        self::assertEqualsWithDelta(10300.0 + 5060.0 + 7400.0, $scope->expectedCents(), 1e-6);
    }

    /** The pair: another part and seven tenths of the time, 2600 + 0.7·75·100 + 200 = 8050 more. */
    public function testThePairCostsLessThanTwice(): void
    {
        self::assertEqualsWithDelta(
            10300.0 + 8050.0,
            Scope::of($this->cylinder(), Place::of('lr'), [], $this->labour(), true)->baseCents,
            1e-6,
        );
    }

    /**
     * Used at 4500 and 15 % of coming back against new at 16 500 and 2 %, an hour's job: 1.15·(4500 + 500 + 6000) = 12
     * 650 and 1.02·22 500 = 22 950.
     */
    public function testComingBackIsCounted(): void
    {
        $option = static fn (array $data): PartOption => PartOption::fromShape(
            'x',
            new Shape($data + ['lead_days' => 1, 'warranty_months' => 3]),
        );
        self::assertEqualsWithDelta(
            12650.0,
            $option(['parts_cents' => 4500, 'minutes' => 5, 'return_chance' => 0.15])->expectedCents(60.0, 100.0),
            1e-6,
        );
        self::assertEqualsWithDelta(
            22950.0,
            $option(['parts_cents' => 16500, 'return_chance' => 0.02])->expectedCents(60.0, 100.0),
            1e-6,
        );
    }

    /** 100 cents a minute, 1 cent a millilitre. */
    private function labour(): Labour
    {
        return Labour::fromShape(new Shape(['rate_cents_per_hour' => 6000, 'fluid_cents_per_litre' => 1000]));
    }

    private function cylinder(): Repair
    {
        return Repair::fromShape(
            'cylinder',
            new Shape([
                'parts_cents' => 2600,
                'minutes' => 75,
                'fluid_ml' => 200,
                'opens' => true,
                'procedure' => 'cylinder',
                'bleeds' => 'place',
                'pair' => true,
                'drawn' => 'wheel',
                'scope' => [
                    [
                        'part' => 'shoes',
                        'chance' => 0.55,
                        'parts_cents' => 5200,
                        'minutes' => 40,
                        'seen' => ['check' => 'drum-look', 'row' => 'lining', 'word' => 'soaked'],
                    ],
                    ['part' => 'drum', 'chance' => 0.1, 'parts_cents' => 6400, 'minutes' => 10],
                ],
            ]),
        );
    }

    /** Only where nothing of the brakes is replaced does a signature say that they are sound. */
    public function testWhatIsNotOfTheBrakesIsNamed(): void
    {
        $elsewhere = array_filter(
            World::catalogue()->repairs->all,
            static fn ($repair): bool => 'elsewhere' === $repair->drawn,
        );
        self::assertSame(['none', 'tyre', 'joint', 'engine'], array_keys($elsewhere));
    }
}
