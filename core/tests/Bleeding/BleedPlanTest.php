<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Bleeding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Bleeding\BleedSums;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** The medium car's pipes: lf 0.9, rf 1.7, lr 3.4, rr 4.0 m; circuits lf+rr and rf+lr. */
final class BleedPlanTest extends TestCase
{
    /** @param list<string> $order */
    #[DataProvider('provideOrders')]
    public function testTheOrderFollowsTheSchoolAndWhatWasOpened(BleedOrder $school, string $place, array $order): void
    {
        $plan = BleedPlan::of(World::handbook(), [Place::of($place)], $school);
        self::assertSame($order, array_map(static fn (Corner $corner): string => $corner->value, $plan->order));
    }

    /** @return iterable<string, array{BleedOrder, string, list<string>}> */
    public static function provideOrders(): iterable
    {
        yield 'farthest first' => [BleedOrder::FarthestFirst, 'vehicle', ['rr', 'lr', 'rf', 'lf']];
        yield 'nearest first' => [BleedOrder::NearestFirst, 'vehicle', ['lf', 'rf', 'lr', 'rr']];
        yield 'one circuit after the other' => [BleedOrder::ByCircuit, 'vehicle', ['rr', 'lf', 'lr', 'rf']];
        yield 'only the opened wheel' => [BleedOrder::FarthestFirst, 'lf', ['lf']];
        yield 'the axle of one hose' => [BleedOrder::FarthestFirst, 'rear', ['rr', 'lr']];
    }

    public function testAWheelIsDoneAtSoManyClearStrokesAndNotBefore(): void
    {
        $plan = BleedPlan::of(World::handbook(), [Place::of('lf')]);
        $line = static fn (string $bubbles, float $clear): array => [
            'corner' => 'lf',
            'bleeder' => '',
            'bubbles' => $bubbles,
            'clear' => $clear,
            'needs' => 3.0,
        ];
        self::assertSame(['lf' => false], $plan->done(World::handbook(), []));
        self::assertSame(['lf' => false], $plan->done(World::handbook(), [$line('none', 2)]));
        self::assertSame(
            ['lf' => false],
            $plan->done(World::handbook(), [$line('none', 3), $line('few', 0)]),
            'bubbles came again',
        );
        self::assertSame(['lf' => true], $plan->done(World::handbook(), [$line('few', 0), $line('none', 3)]));
    }

    /**
     * The maker's own order goes before the school; a caliper with two bleeders is done when both are, the inner one
     * first.
     */
    public function testTheMakersOwnOrderAndTwoBleeders(): void
    {
        $layout = World::layout('solid-axle-4x4');
        $plan = BleedPlan::of($layout, [Place::vehicle()], BleedOrder::FarthestFirst, [
            Corner::LeftFront,
            Corner::RightRear,
        ]);
        self::assertSame(
            ['lf-inner', 'lf-outer', 'rr', 'lr', 'rf-inner', 'rf-outer'],
            array_keys($plan->done($layout, [])),
        );
    }

    /**
     * Medium car, left rear, by hand: 3.4 m of pipe at 9.08 mL/m is 30.87 mL, 0.4 m of hose at 8.04 mL/m 3.22 mL, the
     * cylinder 5 mL: 39.09 mL; one and a half times is 58.63 mL. A stroke moves 0.8·5.4 = 4.32 mL: 14 strokes.
     * A reservoir of 140 mL with three tenths kept gives 98 mL before it must be topped up.
     */
    public function testMillilitresAndStrokesByHand(): void
    {
        $layout = World::handbook();
        $book = World::catalogue()->bleeding;
        $lr = BleedSums::of($layout, $book, [Corner::LeftRear], $book->methods['pedal'], 'opened');
        self::assertEqualsWithDelta(58.63, $lr->totalMl, 0.02);
        self::assertSame(14, $lr->wheels[0]['count']);
        self::assertSame([], $lr->wheels[0]['top_up_at']);
        // rr: (4.0·9.08 + 3.216 + 5)·1.5 = 66.80 mL in 14 strokes of 4.96 (69.4 mL); then lr: 98 − 69.44 = 28.56 mL,
        // six strokes of 4.32 fit, the seventh does not
        $both = BleedSums::of($layout, $book, [Corner::RightRear, Corner::LeftRear], $book->methods['pedal'], 'opened');
        self::assertSame([14, 14], array_column($both->wheels, 'count'));
        self::assertSame([[], [6]], array_column($both->wheels, 'top_up_at'));
        $pressure = BleedSums::of($layout, $book, [Corner::LeftRear], $book->methods['pressure'], 'renew');
        self::assertSame(98, $pressure->wheels[0]['count'], '39.09 mL two and a half times, in mL');
        // three minutes at the wheel, eight strokes a minute or 60 mL
        self::assertEqualsWithDelta(3.0 + 14.0 / 8.0, $lr->minutes, 1e-9);
        self::assertEqualsWithDelta(3.0 + 97.72 / 60.0, $pressure->minutes, 1e-3);
        // the outer half of a caliper is cleared behind the whole line: half of what is in it, one and a half times
        $four = World::layout('solid-axle-4x4');
        $lf = BleedSums::of($four, $book, [Corner::LeftFront], $book->methods['pressure'], 'opened');
        self::assertEqualsWithDelta(0.75 * $four->brake(Corner::LeftFront)->fluidMl(), $lf->wheels[1]['ml'], 1e-9);
        self::assertEqualsWithDelta($lf->wheels[0]['ml'] + $lf->wheels[1]['ml'], $lf->totalMl, 1e-9);
        self::assertEqualsWithDelta(6.0 + $lf->totalMl / 60.0, $lf->minutes, 1e-9);
    }
}
