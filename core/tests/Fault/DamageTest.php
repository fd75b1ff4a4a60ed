<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Fault;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Fault\Damage;
use Rodrel\Core\Fault\EffectRule;
use Rodrel\Core\Fault\Odds;
use Rodrel\Core\Mistakes;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Place;

/** Severities of a fault, by hand. */
final class DamageTest extends TestCase
{
    /** 1 : 3 of one, 1 : 1 of the other: an eighth each of the light ones, three of the heavy ones. */
    public function testAGridSharesItsWeight(): void
    {
        $grid = Damage::fromShape(new Shape([
            'severity' => [
                'gap' => ['values' => [0.5, 2.0], 'weights' => [1, 3]],
                'leak' => ['values' => [1e-4, 1e-3], 'weights' => [2, 2]],
            ],
            'effects' => ['wheel@{place}' => ['extra_clearance' => 'gap', 'leak' => 'leak']],
        ]))->grid();
        self::assertSame([0.125, 0.125, 0.375, 0.375], array_column($grid, 1));
        self::assertSame(
            [[0.5, 1e-4], [0.5, 1e-3], [2.0, 1e-4], [2.0, 1e-3]],
            array_map(array_values(...), array_column($grid, 0)),
        );
    }

    public function testWeightsAreAboveZeroAndOneForEachValue(): void
    {
        $wrong = static function (array $values, array $weights): array {
            $mistakes = new Mistakes();
            Damage::fromShape(new Shape([
                'severity' => ['gap' => ['values' => $values, 'weights' => $weights]],
                'effects' => ['wheel@{place}' => ['extra_clearance' => 'gap']],
            ], '', $mistakes));

            return $mistakes->all();
        };
        self::assertCount(0, $wrong([1, 2], [0.1, 3]));
        self::assertCount(1, $wrong([1, 2], [0, 3]), 'a severity that never comes');
        self::assertCount(1, $wrong([1, 2], [-1, 3]));
        self::assertCount(1, $wrong([1, 1], [1, 3]), 'one that stands there twice');
        self::assertCount(1, $wrong([1, 2], [1]));
    }

    /** A number may be whole or not, or severities of the fault multiplied; its target and parameter must be there. */
    public function testWhatAnEffectMayBe(): void
    {
        $wrong = static function (string $target, string $parameter, mixed $value): int {
            $mistakes = new Mistakes();
            EffectRule::fromShape($target, new Shape([$parameter => $value], '', $mistakes), ['gap', 'share']);

            return \count($mistakes->all());
        };
        foreach ([0, 0.5, 'gap', 'gap*share'] as $value) {
            self::assertSame(0, $wrong('wheel@{place}', 'air', $value));
        }
        foreach (['depth', 'gap*depth', true, null, []] as $value) {
            self::assertSame(1, $wrong('wheel@{place}', 'air', $value));
        }
        self::assertSame(1, $wrong('wheel@{place}', 'gf', 1.0), 'a wheel lets nothing through');
        self::assertSame(0, $wrong('booster', 'stuck', 1.0));
        self::assertSame(0, $wrong('chamber@*', 'port', 1.0));
        self::assertGreaterThan(0, $wrong('bumper@{place}', 'air', 1.0));
        self::assertGreaterThan(0, $wrong('wheel@lf', 'air', 1.0), 'a rule is for every place');
    }

    /** Rust and slack come to drums by their own share: where all wheels of a place are drums, and only there. */
    public function testOddsAtDrums(): void
    {
        $odds = Odds::fromShape(new Shape(['weight' => 0.4, 'ages_with' => '', 'at_drums' => 0.25]));
        $at = static fn (string $place, string $preset = 'medium-car'): float => $odds->weightAt(
            Place::of($place),
            World::layout($preset),
        );
        self::assertSame([0.4, 0.1], [$at('lf'), $at('lr')]);
        self::assertSame([0.4, 0.1], [$at('front'), $at('rear')]);
        self::assertSame(0.4, $at('vehicle'), 'discs in front');
        self::assertSame(0.1, $at('vehicle', 'all-drum-single'));
        self::assertSame(0.4, $at('primary', 'all-drum-single'), 'a chamber is no wheel');
    }
}
