<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Tests\World;

/**
 * The numbers that the trade's handbook gives for the medium car, engine on unless said: foot to its force in
 * 0.4 s, held 3 s, off in 0.2 s. Tolerance 2 %, or 5 kPa, 0.5 mm, 5 N·m where larger.
 */
final class HandbookNumbersTest extends TestCase
{
    /**
     * @param array<string, array<string, float>> $effects
     * @param array<string, float> $expected `travel@3.40`, `kpa.lf@5.00`, `torque.lr@3.40` → value
     */
    #[DataProvider('provideCases')]
    public function testLandsOnTheHandbooksNumbers(
        string $preset,
        array $effects,
        float $footN,
        ?float $vacuum,
        array $expected,
    ): void {
        $seen = World::press(World::evenPipes($preset), $effects, $footN, [0.4, 0.5, 1.0, 2.0, 3.4, 5.0, 8.6], $vacuum);
        foreach ($expected as $what => $value) {
            [$quantity, $at] = explode('@', $what);
            [$kind, $corner] = explode('.', $quantity.'.');
            $got = 'travel' === $kind ? $seen[$at]['travel'] : $seen[$at]['kpa' === $kind ? 'kpa' : 'torque'][$corner];
            self::assertEqualsWithDelta($value, $got, max(0.02 * abs($value), 'travel' === $kind ? 0.5 : 5.0), $what);
        }
    }

    /**
     * @return iterable<string, array{string, array<string, array<string, float>>, float, float|null,
     *     array<string, float>}>
     */
    public static function provideCases(): iterable
    {
        yield 'sound' => [
            'medium-car',
            [],
            150,
            null,
            [
                'travel@0.40' => 67.2,
                'travel@0.50' => 67.6,
                'travel@3.40' => 67.6,
                'kpa.lf@0.40' => 5571,
                'kpa.lf@0.50' => 5635,
                'kpa.lf@3.40' => 5635,
                'kpa.lf@5.00' => 0,
                'torque.lf@3.40' => 1223,
                'torque.rf@3.40' => 1223,
                'torque.lr@3.40' => 360,
                'torque.rr@3.40' => 360,
                'torque.lf@5.00' => 1.4,
                'torque.lr@5.00' => 0,
            ],
        ];
        yield 'sound, front-rear split, four discs' => [
            'front-rear-discs',
            [],
            150,
            null,
            [
                'travel@3.40' => 61.5,
                'torque.lf@3.40' => 1223,
                'torque.rf@3.40' => 1223,
                'torque.lr@3.40' => 470,
                'torque.rr@3.40' => 470,
            ],
        ];
        yield 'hose one-way' => [
            'medium-car',
            ['hose@lf' => ['gf' => 0.002, 'gr' => 3e-5]],
            150,
            null,
            [
                'travel@0.40' => 63.1,
                'travel@0.50' => 65.8,
                'travel@3.40' => 67.6,
                'kpa.lf@0.40' => 3772,
                'kpa.lf@0.50' => 4856,
                'kpa.lf@3.40' => 5635,
                'kpa.lf@5.00' => 4586,
                'kpa.lf@8.60' => 2809,
                'torque.lf@5.00' => 997,
            ],
        ];
        yield 'hose closes below 600 kPa' => [
            'medium-car',
            ['hose@lf' => ['hold' => 600]],
            150,
            null,
            ['kpa.lf@5.00' => 590, 'kpa.lf@8.60' => 590, 'torque.lf@5.00' => 129, 'torque.lf@8.60' => 129],
        ];
        yield 'inlet valve holds' => [
            'medium-car',
            ['inlet-valve@lf' => ['gr' => 2e-5]],
            150,
            null,
            ['kpa.lf@3.40' => 5635, 'kpa.lf@5.00' => 4924, 'torque.lf@5.00' => 1071, 'kpa.lf@8.60' => 3571],
        ];
        yield 'inlet valve shut, ball sound' => [
            'medium-car',
            ['inlet-valve@lf' => ['gf' => 1e-6, 'gr' => 0.05]],
            150,
            null,
            ['travel@3.40' => 51.1, 'torque.lf@3.40' => 0, 'torque.lf@5.00' => 0],
        ];
        yield 'piston 4000 / 800 N' => [
            'medium-car',
            ['brake@lf' => ['apply' => 4000, 'hold' => 800]],
            150,
            null,
            ['torque.lf@3.40' => 883, 'torque.lf@5.00' => 68],
        ];
        yield 'piston 8000 / 200 N, foot 80 N' => [
            'medium-car',
            ['brake@lf' => ['apply' => 8000, 'hold' => 200]],
            80,
            null,
            ['torque.lf@3.40' => 0, 'torque.lf@5.00' => 0],
        ];
        yield 'primary bypass' => [
            'medium-car',
            ['chamber@primary' => ['bypass_hard' => 6e-4]],
            150,
            null,
            [
                'travel@0.50' => 77.4,
                'travel@1.00' => 94.9,
                'travel@3.40' => 101.9,
                'kpa.lf@2.00' => 1470,
                'kpa.rf@2.00' => 5635,
            ],
        ];
        yield 'air 3 mL' => ['medium-car', ['wheel@lf' => ['air' => 3.0]], 150, null, ['travel@3.40' => 98.0]];
        yield 'piston stops short' => [
            'medium-car',
            ['chamber@primary' => ['rest' => 0.6], 'chamber@secondary' => ['rest' => 0.6]],
            150,
            null,
            [
                'kpa.lf@5.00' => 273,
                'kpa.rf@5.00' => 273,
                'kpa.lr@5.00' => 273,
                'kpa.lf@8.60' => 273,
                'torque.lf@5.00' => 58,
                'torque.lr@5.00' => 0.7,
            ],
        ];
        yield 'booster holds 250 N' => [
            'medium-car',
            ['booster' => ['stuck' => 250.0]],
            150,
            null,
            ['kpa.lf@5.00' => 426, 'kpa.rr@5.00' => 426, 'torque.lf@5.00' => 94, 'torque.lr@5.00' => 11],
        ];
        yield 'cylinder friction 250 N' => [
            'medium-car',
            ['brake@lr' => ['apply' => 250, 'hold' => 250]],
            150,
            null,
            ['torque.lr@3.40' => 304, 'torque.lr@5.00' => 38],
        ];
        yield 'lining 0.55' => [
            'medium-car',
            ['brake@lr' => ['friction' => 0.55]],
            150,
            null,
            ['torque.lr@3.40' => 766, 'torque.lr@5.00' => 0],
        ];
        yield 'engine off, vacuum spent, 250 N' => [
            'medium-car',
            [],
            250,
            0.0,
            ['travel@3.40' => 42.4, 'kpa.lf@3.40' => 2170, 'torque.lf@3.40' => 470, 'torque.lr@3.40' => 123],
        ];
        yield 'assist run out, 400 N' => [
            'medium-car',
            [],
            400,
            null,
            ['travel@3.40' => 99.8, 'kpa.lf@3.40' => 10064, 'torque.lf@3.40' => 2185, 'torque.lr@3.40' => 663],
        ];
    }
}
