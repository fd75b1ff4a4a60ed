<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Bleeding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Bleeding\BleedMethod;
use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Bleeding\BleedPoint;
use Rodrel\Core\Bleeding\BleedSums;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vehicle\Layout;
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
            'key' => 'lf',
            'bubbles' => $bubbles,
            'clear' => $clear,
            'needs' => 3.0,
        ];
        self::assertSame(['lf' => false], $plan->done([]));
        self::assertSame(['lf' => false], $plan->done([$line('none', 2)]));
        self::assertSame(
            ['lf' => false],
            $plan->done([$line('none', 3), $line('few', 0)]),
            'bubbles came again',
        );
        self::assertSame(['lf' => true], $plan->done([$line('few', 0), $line('none', 3)]));
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
            array_keys($plan->done([])),
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
        $lr = BleedSums::of($layout, $book, self::at('lr'), $book->methods['pedal'], 'opened');
        self::assertEqualsWithDelta(58.63, $lr->totalMl, 0.02);
        self::assertSame(14, $lr->points[0]['count']);
        self::assertSame([], $lr->points[0]['top_up_at']);
        // rr: (4.0·9.08 + 3.216 + 5)·1.5 = 66.80 mL in 14 strokes of 4.96 (69.4 mL); then lr: 98 − 69.44 = 28.56 mL,
        // six strokes of 4.32 fit, the seventh does not
        $both = BleedSums::of($layout, $book, self::at('rr', 'lr'), $book->methods['pedal'], 'opened');
        self::assertSame([14, 14], array_column($both->points, 'count'));
        self::assertSame([[], [6]], array_column($both->points, 'top_up_at'));
        $pressure = BleedSums::of($layout, $book, self::at('lr'), $book->methods['pressure'], 'renew');
        self::assertSame(98, $pressure->points[0]['count'], '39.09 mL two and a half times, in mL');
        // three minutes at the wheel, eight strokes a minute or 60 mL
        self::assertEqualsWithDelta(3.0 + 14.0 / 8.0, $lr->minutes, 1e-9);
        self::assertEqualsWithDelta(3.0 + 97.72 / 60.0, $pressure->minutes, 1e-3);
        // the outer half of a caliper is cleared behind the whole line: half of what is in it, one and a half times
        $four = World::layout('solid-axle-4x4');
        $two = [new BleedPoint('lf', 'inner'), new BleedPoint('lf', 'outer')];
        $lf = BleedSums::of($four, $book, $two, $book->methods['pressure'], 'opened');
        self::assertEqualsWithDelta(0.75 * $four->brake(Corner::LeftFront)->fluidMl(), $lf->points[1]['ml'], 1e-9);
        self::assertEqualsWithDelta($lf->points[0]['ml'] + $lf->points[1]['ml'], $lf->totalMl, 1e-9);
        self::assertEqualsWithDelta(6.0 + $lf->totalMl / 60.0, $lf->minutes, 1e-9);
    }

    /**
     * A line booster is bled before the wheels, its slave before its valve, and only where air can have come in there.
     */
    public function testALineBoosterComesFirst(): void
    {
        $layout = World::layout('line-booster');
        $keys = static fn (BleedPlan $plan): array => array_map(
            static fn (BleedPoint $one): string => $one->key(),
            $plan->points,
        );
        $remote = BleedPlan::of($layout, [Place::vehicle()], repairs: ['remote']);
        self::assertSame(['remote-slave', 'remote-valve', 'rr', 'lr', 'rf', 'lf'], $keys($remote));
        $cylinder = BleedPlan::of($layout, [Place::of('lr')], repairs: ['cylinder']);
        self::assertSame(['lr'], $keys($cylinder));
        // 60 and 40 mL, one and a half times, in strokes of 0.8 · 11.6 = 9.28 mL: 10 and 7
        $book = World::catalogue()->bleeding;
        $points = \array_slice($remote->points, 0, 2);
        $sums = BleedSums::of($layout, $book, $points, $book->methods['pedal'], 'opened', fitted: ['remote']);
        self::assertSame([10, 7], array_column($sums->points, 'count'));
        // what the new one swallows, 80 mL, comes on top
        self::assertEqualsWithDelta(90.0 + 60.0 + 80.0, $sums->totalMl, 1e-9);
    }

    /** One bleeder by vacuum, the other by the pedal: 58.63 mL at 40 mL a minute, 14 strokes at eight a minute. */
    public function testAnotherMethodAtOneBleeder(): void
    {
        $layout = World::handbook();
        $book = World::catalogue()->bleeding;
        $own = ['lr' => $book->methods['vacuum']];
        $sums = BleedSums::of($layout, $book, self::at('rr', 'lr'), $book->methods['pedal'], 'opened', $own);
        self::assertSame([14, 59], array_column($sums->points, 'count'));
        self::assertEqualsWithDelta(3.0 + 14.0 / 8.0 + 3.0 + 58.63 / 40.0, $sums->minutes, 1e-3);
    }

    /** Which methods a vehicle can be bled by, and what it wants beside its wheels. */
    public function testWhatAVehicleCanBeBledBy(): void
    {
        $methods = World::catalogue()->bleeding->methods;
        $can = static fn (string $preset): array => array_keys(array_filter(
            $methods,
            static fn (BleedMethod $one): bool => $one->isFor(World::layout($preset)),
        ));
        self::assertSame(['powered'], $can('wet-disc-loader'), 'a machine has no pedal to pump');
        self::assertNotContains('powered', $can('heavy-van'));
        self::assertNotContains('cycled', $can('heavy-van'), 'it has no unit');
        self::assertContains('cycled', $can('medium-car'));
        // a machine has no shuttle to hold centred and no shoes to set
        self::assertSame(['axle-powered'], BleedPlan::asks(World::layout('wet-disc-loader'), ['wet-seals']));
        self::assertContains('shuttle-centred', BleedPlan::asks(World::layout('heavy-van'), ['master']));
    }

    /**
     * Fixed calipers behind have two bleeders as those in front; an arm that follows the load is held; a clutch on the
     * same reservoir comes last, and only where its air can have come from.
     */
    public function testAComposedVehicle(): void
    {
        $layout = Layout::fromArray(Composer::compose([
            'split' => 'front-rear', 'front' => 'disc', 'rear' => 'four-piston', 'assist' => 'engine-vacuum',
            'load_valve' => true, 'shared_clutch' => true,
        ]));
        $keys = static fn (BleedPlan $plan): array => array_keys($plan->done([]));
        $master = BleedPlan::of($layout, [Place::vehicle()], repairs: ['master']);
        self::assertSame(
            ['rr-inner', 'rr-outer', 'lr-inner', 'lr-outer', 'rf', 'lf', 'clutch'],
            $keys($master),
        );
        self::assertSame(['rr-inner', 'rr-outer'], $keys(BleedPlan::of($layout, [Place::of('rr')], repairs: ['hose'])));
        $asks = BleedPlan::asks($layout, ['master']);
        foreach (['load-valve-held', 'clutch-too', 'master-first', 'shuttle-centred'] as $ask) {
            self::assertContains($ask, $asks);
        }
        self::assertNotContains('shoes-first', $asks, 'shoes in a hat are not moved by fluid');
    }

    /** A line of the visit that renews the fluid decides for all of them. */
    public function testFluidThroughout(): void
    {
        self::assertSame('opened', BleedPlan::purpose('cylinder', 'shoes'));
        self::assertSame('opened', BleedPlan::purpose('master'));
        self::assertSame('renew', BleedPlan::purpose('cylinder', 'flush'));
    }

    /** @return list<BleedPoint> wheels with one bleeder each */
    private static function at(string ...$corners): array
    {
        return array_map(static fn (string $corner): BleedPoint => new BleedPoint($corner, ''), array_values($corners));
    }
}
