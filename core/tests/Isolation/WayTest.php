<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Isolation\Way;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;

/** From one check to the next in a shop that raises in 4 minutes and takes wheels off in 6, by hand. */
final class WayTest extends TestCase
{
    public function testUpAndDown(): void
    {
        $minutes = fn (Lift $stands, Lift $wanted): float => $this->way(new CarState($stands))
            ->lift($this->wanting($wanted));
        self::assertSame(4.0, $minutes(Lift::Ground, Lift::Raised));
        self::assertSame(10.0, $minutes(Lift::Ground, Lift::WheelsOff));
        self::assertSame(6.0, $minutes(Lift::Raised, Lift::WheelsOff));
        self::assertSame(0.0, $minutes(Lift::WheelsOff, Lift::Raised), 'a raised vehicle without wheels is raised');
        self::assertSame(4.0, $minutes(Lift::Raised, Lift::Ground));
        self::assertSame(10.0, $minutes(Lift::WheelsOff, Lift::Ground), 'wheels on, and down');
        self::assertSame(0.0, $minutes(Lift::Ground, Lift::Ground));
        self::assertSame(0.0, $minutes(Lift::Raised, Lift::Any), 'what can be made anywhere is made up there');
    }

    /** A helper comes in 2 minutes, and stays; what was opened is bled once, in 12. */
    public function testHelperBleedingAndPuttingTogether(): void
    {
        $checks = World::catalogue()->checks;
        $with = fn (CarState $car, string $check): float => $this->way($car)
            ->minutes($checks->of(CheckAt::parse($check)));
        $up = new CarState(Lift::WheelsOff, true, last: $checks->of(CheckAt::parse('hose-top@lf')));
        $opened = new CarState(Lift::WheelsOff, true, true, last: $up->last);
        self::assertEqualsWithDelta(12.0, $with($up, 'hose-top@rf') - $with($opened, 'hose-top@rf'), 1e-9);
        $spin = $checks->of(CheckAt::parse('spin@vehicle'));
        self::assertTrue($spin->manner->presses());
        $apart = new CarState(Lift::WheelsOff, true, last: $spin, apart: ['drum@lr' => 8.0, 'drum@rr' => 7.0]);
        self::assertSame(15.0, $this->way($apart)->together($spin), 'nobody presses with a drum off');
        $here = $this->way(new CarState(Lift::WheelsOff, true, last: $spin));
        self::assertSame(0.0, $here->together($spin));
        self::assertTrue($here->isHere($spin));
        self::assertSame(0.0, $here->minutes($spin), 'the helper is there, and the technician');
        self::assertFalse($this->way(new CarState(Lift::WheelsOff, true))->isHere($spin), 'from nowhere it is a walk');
        $outside = $this->way(new CarState(Lift::Ground, apart: ['drum@lr' => 8.0]));
        self::assertFalse($outside->isHere($spin));
        self::assertEqualsWithDelta(1.0 + 4.0 + 2.0 + 8.0, $outside->minutes($spin), 1e-9, 'walk, raise, call, fit');
        $look = $checks->of(CheckAt::parse('hose-look@lf'));
        self::assertFalse($look->manner->presses());
        self::assertSame(0.0, $this->way($apart)->together($look));
        $level = $this->wanting(Lift::Ground);
        self::assertSame(15.0, $this->way($apart)->together($level), 'nobody lets it down with a drum off');
    }

    public function testWhetherTheEngineRan(): void
    {
        $checks = World::catalogue()->checks;
        $made = static fn (string ...$readings): bool => (new Situation(
            new CarState(Lift::Ground),
            array_map(static fn (string $one): mixed => ToyField::reading($one, 'yes'), array_values($readings)),
        ))->started($checks);
        self::assertFalse($made());
        self::assertFalse($made('fluid-test'));
        self::assertTrue($made('fluid-test', 'pedal'));
    }

    private function way(CarState $car): Way
    {
        return new Way($car, World::settings()->times, World::catalogue()->knowledge()->stations);
    }

    private function wanting(Lift $lift): Check
    {
        foreach (World::catalogue()->checks as $check) {
            if ($lift === $check->demand->lift) {
                return $check;
            }
        }
        self::fail('No check wants '.$lift->value);
    }
}
