<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Road;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Road\Road;
use Rodrel\Core\Tests\World;

/**
 * Braking forces and load transfer, worked by hand on the medium car: 1350 kg, front share 0.60, h/l 0.21, R 0.30 m.
 */
final class RoadTest extends TestCase
{
    private const SOUND = ['lf' => 1223.0, 'rf' => 1223.0, 'lr' => 360.0, 'rr' => 360.0];

    /**
     * ΣF = (2·1223 + 2·360)/0.30 = 10 553 N, a = 10 553/1350 = 7.817 m/s²; shift 0.21·1350·7.817 = 2216 N;
     * front wheel (0.60·13 243.5 + 2216)/2 = 5081 N, rear (0.40·13 243.5 − 2216)/2 = 1541 N.
     */
    public function testALoadMovesForward(): void
    {
        $stop = Road::dry(World::handbook())->stop(self::SOUND);
        self::assertEqualsWithDelta(7.817, $stop['decel'], 0.002);
        self::assertEqualsWithDelta(5081.0, $stop['loads']['lf'], 2.0);
        self::assertEqualsWithDelta(1541.0, $stop['loads']['rr'], 2.0);
        self::assertEqualsWithDelta(13243.5, array_sum($stop['loads']), 0.5, 'the weight stays the weight');
        $used = Road::dry(World::handbook())->gripUsed(self::SOUND);
        self::assertEqualsWithDelta(4076.7 / (0.9 * 5081.0), $used['lf'], 0.002);
        self::assertEqualsWithDelta(1200.0 / (0.9 * 1541.0), $used['lr'], 0.002);
    }

    /** On a wet road (0.6) no wheel gives more than grip times load: a = 0.6·9.81 when all four are at the edge. */
    public function testGripIsTheCap(): void
    {
        $stop = Road::wet(World::handbook())->stop(['lf' => 5000.0, 'rf' => 5000.0, 'lr' => 5000.0, 'rr' => 5000.0]);
        self::assertEqualsWithDelta(0.6 * 9.81, $stop['decel'], 1e-3);
        foreach ($stop['forces'] as $corner => $force) {
            self::assertEqualsWithDelta(0.6 * $stop['loads'][$corner], $force, 1e-6);
        }
    }

    /** Without the right front: (1223 − 0 + 0)/(1223 + 720) to the left; mirrored to the right. */
    public function testAPullGoesToTheStrongerSide(): void
    {
        $road = Road::dry(World::handbook());
        self::assertEqualsWithDelta(1223.0 / 1943.0, $road->pullIndex(['rf' => 0.0] + self::SOUND), 1e-6);
        self::assertEqualsWithDelta(-1223.0 / 1943.0, $road->pullIndex(['lf' => 0.0] + self::SOUND), 1e-6);
        self::assertEqualsWithDelta(
            (0.4 * 360.0) / 2806.0,
            $road->pullIndex(['rr' => 0.0] + self::SOUND),
            1e-6,
            'a rear wheel turns the vehicle less',
        );
        self::assertSame(0.0, $road->pullIndex(self::SOUND));
    }
}
