<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Hinge;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Isolation\Suspicion;
use Rodrel\Core\Isolation\Sway;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * What a reading did, what the diagnosis hangs on and what would settle a suspicion, by hand: a hose (three quarters)
 * and a caliper; pushed back says yes of nine hoses in ten and of one caliper in ten, a look of one in two and of four
 * in ten.
 */
final class SuspicionTest extends TestCase
{
    /** 3 : 1 times 1 : 9 is 1 : 3: the caliper goes from 25 to 75 %, and without the reading the hose would lead. */
    public function testAReadingThatTurnsTheBelief(): void
    {
        $belief = $this->belief(ToyField::reading('push', 'no'));
        $sway = Sway::of($belief, 0);
        self::assertSame(['caliper@vehicle', 'hose@vehicle', 0], [$sway->to, $sway->from, $sway->out]);
        self::assertSame([], $sway->between, 'it tells them apart');
        [$hinge] = Hinge::in($belief);
        self::assertSame(['push', 'hose@vehicle'], [$hinge->reading->check->id, $hinge->instead]);
        self::assertEqualsWithDelta(0.75, $hinge->mass, 1e-9);
    }

    /** 0.5 against 0.4 is 1.25 : 1: hardly anything moves, and it is said what it does not tell. */
    public function testAReadingThatTellsNothingApartSaysSo(): void
    {
        $belief = $this->belief(ToyField::reading('look', 'yes'));
        $sway = Sway::of($belief, 0);
        self::assertSame(['', ''], [$sway->to, $sway->from]);
        self::assertSame(['hose@vehicle', 'caliper@vehicle'], $sway->between);
        self::assertSame([], Hinge::in($belief), 'the hose leads without it too');
    }

    /** The suspected caliper: "yes" is shown by 90 % of the rest and leaves 1 : 27 of it, "no" makes it 3 : 1. */
    public function testWhatWouldRefuteAndConfirm(): void
    {
        $belief = $this->belief();
        $now = new Situation(new CarState(Lift::WheelsOff, true, false, true, false), []);
        $thought = Suspicion::of($belief, $now, World::settings(), GroupAt::parse('caliper@vehicle'));
        self::assertEqualsWithDelta(0.25, $thought->mass, 1e-9);
        self::assertCount(1, $thought->refute, 'the look tells too little');
        self::assertSame(['push', 'yes'], [$thought->refute[0]['at']->id, $thought->refute[0]['word']]);
        $refuted = [$thought->refute[0]['chance'], $thought->refute[0]['after']];
        self::assertEqualsWithDelta([0.9, 1.0 / 28.0], $refuted, 1e-9);
        self::assertSame('no', $thought->confirm[0]['word']);
        self::assertEqualsWithDelta([0.9, 0.75], [$thought->confirm[0]['chance'], $thought->confirm[0]['after']], 1e-9);
        // three times in four it is the hose, which is repaired after it all the same
        $hose = Suspicion::of($belief, $now, World::settings(), GroupAt::parse('hose@vehicle'))->costCents;
        self::assertEqualsWithDelta($thought->costCents + 0.75 * $hose, $thought->wrongCents, 1e-6);
        self::assertEqualsWithDelta(0.25 * $thought->costCents + 0.75 * $hose, $thought->knownCents, 1e-6);
    }

    private function belief(Reading ...$readings): Belief
    {
        $field = ToyField::make();

        return Belief::of($field, Opening::first($field, Context::none(), 0.0), array_values($readings));
    }
}
