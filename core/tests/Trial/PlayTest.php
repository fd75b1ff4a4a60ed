<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Trial\Luck;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** What a job at a drawn vehicle takes, what may be done at it, and what it tells. */
final class PlayTest extends TestCase
{
    /**
     * Around the vehicle: half a minute's walk, three for the wheels' heat. Up: a minute, four, two for the helper,
     * five for a brake that came in hot, three for spinning. A bleeder: half a minute, six for the wheels, twelve to
     * bleed afterwards, four. Spinning again: a minute's walk and three. On the road, which a wheel that is held
     * forbids: a minute, ten to put it down, eleven.
     */
    public function testTheWayIsPaidFor(): void
    {
        $play = Trials::play('hose.one-way', drivenIn: true);
        $steps = [
            ['heat-arrival@vehicle', 3.5, 0, 0],
            ['spin@vehicle', 10.0 + 5.0, 1, 0],
            ['bleeder-open@lf', 22.5, 1, 0],
            ['spin@vehicle', 4.0, 1, 0],
            ['heat-loop@vehicle', 22.0, 2, 1],
        ];
        $minutes = 0.0;
        foreach ($steps as $n => [$check, $takes, $lifts, $refused]) {
            $at = CheckAt::parse($check);
            self::assertEqualsWithDelta($takes - (1 === $n ? 5.0 : 0.0), $play->minutesOf($at), 1e-9, $check);
            $play->make($at);
            $minutes += $takes;
            self::assertEqualsWithDelta($minutes, $play->minutes, 1e-9, $check);
            self::assertSame([$lifts, $refused, $refused], [$play->lifts, $play->refused, $play->unsafe], $check);
        }
        self::assertSame(60.0, $play->consumablesCents);
        self::assertSame(array_column($steps, 0), $play->path);
        self::assertSame(5, $play->acts);
    }

    /** Stored pressure is let go before a gauge goes on: four minutes, ten, and half a minute's walk to each. */
    public function testWhatOpensAGateIsDoneFirst(): void
    {
        $play = Trials::play('nothing.wrong', 'unit-saloon');
        $play->make(CheckAt::parse('stored-gauge@vehicle'));
        self::assertSame(['discharge@vehicle', 'stored-gauge@vehicle'], $play->path);
        self::assertEqualsWithDelta(15.0, $play->minutes, 1e-9);
        self::assertSame([2, 0], [$play->acts, $play->refused]);
    }

    /** What is put apart is put together on the way: pads out to push the piston back, three minutes to put them in. */
    public function testWhatIsApartIsPutTogether(): void
    {
        $play = Trials::play('pads.glazed');
        $play->make(CheckAt::parse('push-back@lf'));
        $apart = array_sum($play->state()->situation->car->apart);
        self::assertGreaterThan(0.0, $apart);
        $before = $play->minutes;
        // half a minute's walk, ten to put it down, two for the helper, two for the pedal
        $play->make(CheckAt::parse('pedal@vehicle'));
        self::assertEqualsWithDelta(14.5 + $apart, $play->minutes - $before, 1e-9);
        self::assertSame([], $play->state()->situation->car->apart);
        self::assertSame([0, 2], [$play->refused, $play->lifts]);
    }

    /** What one would believe after a check is what one does believe once it is made, and nothing was written down. */
    public function testWhatIsImaginedComesTrue(): void
    {
        foreach (['spin@vehicle', 'push-back@lf', 'heat-arrival@vehicle'] as $check) {
            $at = CheckAt::parse($check);
            $play = Trials::play('hose.one-way', drivenIn: true);
            $entries = \count($play->state()->situation->readings);
            $imagined = $play->imagine($at)->groups;
            self::assertCount($entries, $play->state()->situation->readings);
            self::assertNotEquals($imagined, $play->diagnosis()->belief->groups, $check);
            $play->make($at);
            self::assertEqualsWithDelta($imagined, $play->diagnosis()->belief->groups, 1e-12, $check);
        }
    }

    /** He named the left front wheel; once a wheel is held it is about that one. What is no wheel's always is. */
    public function testWhatItIsAbout(): void
    {
        $about = static fn (Play $play): array => array_values(array_filter(
            ['hose-look@lf', 'hose-look@rf', 'hose-look@lr', 'hose-look@rr', 'look@vehicle'],
            static fn (string $at): bool => $play->concerns(CheckAt::parse($at)),
        ));
        $play = Trials::play('hose.one-way');
        self::assertSame(['hose-look@lf', 'look@vehicle'], $about($play));
        $play->make(CheckAt::parse('spin@vehicle'));
        self::assertSame(['hose-look@lf', 'look@vehicle'], $about($play));
        self::assertSame(['look@vehicle'], $about(Trials::play('pads.glazed')), 'he names no wheel');
    }

    /** Neither what proves a repair, nor what the driver was asked, nor what wants a tool or waits, nor twice. */
    public function testWhatMayBeMade(): void
    {
        $may = static fn (Play $play): array => array_map(strval(...), $play->possible());
        $play = Trials::play('hose.one-way', tools: ['scan-tool']);
        $possible = $may($play);
        foreach (['spin@vehicle', 'look@vehicle', 'hose-look@lf', 'codes@vehicle'] as $at) {
            self::assertContains($at, $possible);
        }
        $never = ['complaint@vehicle', 'first-stroke@vehicle', 'gauge@lf', 'spin-later@vehicle', 'pull@vehicle'];
        foreach ($never as $at) {
            self::assertNotContains($at, $possible);
        }
        $play->make(CheckAt::parse('spin@vehicle'));
        self::assertNotContains('spin@vehicle', $may($play));
        self::assertContains('spin-later@vehicle', $may($play), 'a wheel is held');
    }

    /** After the right repair it is another vehicle: it turns, and its checks start anew. */
    public function testARepairIsWrittenDown(): void
    {
        $play = Trials::play('hose.one-way');
        $spin = CheckAt::parse('spin@vehicle');
        $play->make($spin);
        self::assertFalse($play->repair(GroupAt::parse('caliper@rf')));
        self::assertTrue($play->repair(GroupAt::parse('hose@lf')));
        self::assertCount(2, $play->state()->story->entriesOf(FindingPayload::class));
        self::assertCount(2, $play->state()->story->entriesOf(RepairedPayload::class));
        $play->make($spin);
        $readings = $play->state()->situation->readings;
        self::assertNotSame('will-not-turn', end($readings)->outcomes['lf'] ?? null);
    }

    /** A report of its condition names tyres that are unlike once they were looked at, and no part that is sound. */
    public function testWhatIsDue(): void
    {
        $play = Trials::play('tyre.unlike');
        self::assertSame([], $play->dueNow());
        $play->make(CheckAt::parse('tyres@vehicle'));
        self::assertSame(['tyre'], $play->dueNow());
    }

    /**
     * Of wrong answers half are left as a sound vehicle's, the others are any word but the right one; numbers are as
     * far as four and a half times off.
     */
    public function testWrongAnswersAreWrong(): void
    {
        $left = $wrong = 0;
        $far = [];
        $sound = Trials::vehicle('nothing.wrong')->answer(CheckAt::parse('pedal@vehicle'))['travel'];
        for ($seed = 1; $seed <= 80; ++$seed) {
            $vehicle = Trials::vehicle('piston.stuck-out', wrong: 1.0, seed: $seed);
            $said = $vehicle->answer(CheckAt::parse('spin@vehicle'));
            self::assertNotContains('will-not-turn', [$said['lf']]);
            $wrong += (int) ('one-finger' !== $said['rf']);
            $left += (int) ('one-finger' === $said['lf']);
            $far[] = $vehicle->answer(CheckAt::parse('pedal@vehicle'))['travel'] / $sound;
        }
        // the left wheel: half as it should be, and one of three other words by chance; the right: half of them wrong
        self::assertEqualsWithDelta(0.5 + 0.5 / 3.0, $left / 80.0, 0.17);
        self::assertEqualsWithDelta(0.5, $wrong / 80.0, 0.17);
        self::assertLessThan(exp(1.5) * 1.1, max($far));
        self::assertGreaterThan(exp(-1.5) / 1.1, min($far));
        self::assertGreaterThan(2.5, max($far) / min($far));
    }

    /** Half a share of a weight is in its middle; what all fall short of is the last. */
    public function testPicksByWeight(): void
    {
        $luck = new Luck('five');
        $share = (new Luck('five'))->share();
        self::assertSame($share < 0.25 ? 0 : 1, $luck->pick([1.0, 3.0]));
        self::assertSame(2, (new Luck('five'))->pick([0.0, 0.0, 0.0]));
    }
}
