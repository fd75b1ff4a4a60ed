<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Fault;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Fault\Damage;
use Rodrel\Core\Mistakes;
use Rodrel\Core\Shape;

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
}
