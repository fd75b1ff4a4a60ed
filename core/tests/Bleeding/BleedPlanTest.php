<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Bleeding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Corner;

/** The medium car's pipes: lf 0.9, rf 1.7, lr 3.4, rr 4.0 m; circuits lf+rr and rf+lr. */
final class BleedPlanTest extends TestCase
{
    /** @param list<string> $order */
    #[DataProvider('provideOrders')]
    public function testTheOrderFollowsTheSchoolAndWhatWasOpened(BleedOrder $school, string $place, array $order): void
    {
        $plan = BleedPlan::of(World::layout(), $place, $school);
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

    public function testAWheelIsDoneAtThreeClearStrokesAndNotBefore(): void
    {
        $plan = BleedPlan::of(World::layout(), 'lf');
        $line = static fn (string $bubbles, int $clear): array => ['corner' => 'lf', 'strokes' => 9, 'bubbles' => $bubbles, 'clear' => $clear];
        self::assertSame(['lf' => false], $plan->done([]));
        self::assertSame(['lf' => false], $plan->done([$line('none', 2)]));
        self::assertSame(['lf' => false], $plan->done([$line('none', 3), $line('few', 0)]), 'bubbles came again');
        self::assertSame(['lf' => true], $plan->done([$line('few', 0), $line('none', 3)]));
    }
}
