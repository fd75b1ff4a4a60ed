<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vocabulary\CheckAt;

/** No hand goes into the caliper of an air brake while its spring may come on: draining the tanks alone applies it. */
final class CagedTest extends TestCase
{
    public function testTheSpringIsCagedBeforeTheTanksAreDrained(): void
    {
        $dumped = self::reading('air-dumped@vehicle', 'chocked-and-empty', 1);
        $caged = self::reading('spring-caged@rr', 'no-change', 0);
        self::assertSame(['caged', 'discharge'], self::unmet('slides-by-hand@rr'));
        self::assertSame(['caged'], self::unmet('slides-by-hand@rr', $dumped));
        self::assertSame([], self::unmet('slides-by-hand@rr', $caged, $dumped));
        self::assertSame(['caged'], self::unmet('adjuster-turned@lr', $caged, $dumped), 'the other side has its own');
        self::assertSame([], self::unmet('slides-by-hand@rf', $dumped), 'in front there is no spring');
    }

    /** @return list<string> what stands before it but for the lift */
    private static function unmet(string $check, Reading ...$readings): array
    {
        $at = CheckAt::parse($check);
        $catalogue = World::catalogue();
        $car = new CarState(Lift::WheelsOff, true, false, true, false);
        $now = new Situation($car, array_values($readings), reach: Reach::Air);
        $gates = $catalogue->gates->closedFor($catalogue->checks->of($at), $at->place, $now, $catalogue->checks);

        return array_merge(...array_map(static fn (Gate $gate): array => $gate->unmet, $gates));
    }

    private static function reading(string $check, string $word, int $minute): Reading
    {
        $at = new \DateTimeImmutable('2026-03-01 10:00:00 +'.$minute.' minutes');

        return new Reading($check, CheckAt::parse($check), ['' => $word], false, $at);
    }
}
