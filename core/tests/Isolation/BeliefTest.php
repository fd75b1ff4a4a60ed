<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Contradiction;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Weight;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\PartAt;

final class BeliefTest extends TestCase
{
    /**
     * Prior 0.85·(3/4, 1/4) and 0.15 for a second fault; "push yes" has 0.9, 0.1 and on average 0.75·0.9 + 0.25·0.1 =
     * 0.7.
     */
    public function testBayesByHand(): void
    {
        $field = ToyField::make();
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), [ToyField::reading('push', 'yes')]);
        $hose = 0.85 * 0.75 * 0.9;
        $caliper = 0.85 * 0.25 * 0.1;
        $second = 0.15 * 0.7;
        $sum = $hose + $caliper + $second;
        self::assertEqualsWithDelta($hose / $sum, $belief->group('hose@vehicle'), 1e-9);
        self::assertEqualsWithDelta($caliper / $sum, $belief->group('caliper@vehicle'), 1e-9);
        self::assertEqualsWithDelta($second / $sum, $belief->second(), 1e-9);
        self::assertSame('hose@vehicle', (string) $belief->leader()[0]);
    }

    /** Unsure: likelihood to the power one half, √0.9 against √0.1. */
    public function testUnsureCountsHalf(): void
    {
        $field = ToyField::make();
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.0), [
            ToyField::reading('push', 'yes', unsure: true),
        ]);
        self::assertEqualsWithDelta(
            (3.0 * sqrt(0.9)) / sqrt(0.1),
            $belief->group('hose@vehicle') / $belief->group('caliper@vehicle'),
            1e-9,
        );
    }

    public function testTheOrderOfReadingsDoesNotMatterAndTheLaterOfTwoStands(): void
    {
        $field = ToyField::make();
        $opening = Opening::first($field, Context::none(), 0.15);
        $a = ToyField::reading('push', 'yes', at: '2026-03-01 10:00:00');
        $b = ToyField::reading('look', 'no', at: '2026-03-01 10:05:00');
        $c = ToyField::reading('push', 'no', at: '2026-03-01 10:10:00');
        $one = Belief::of($field, $opening, [$a, $b, $c]);
        $other = Belief::of($field, $opening, [$c, $a, $b]);
        self::assertEqualsWithDelta($one->groups, $other->groups, 1e-12);
        self::assertEqualsWithDelta(Belief::of($field, $opening, [$b, $c])->groups, $one->groups, 1e-12);
        self::assertEqualsWithDelta(
            Belief::of($field, $opening, [$b])->groups,
            $field->groups->sums($one->without(1)->posterior),
            1e-12,
        );
    }

    public function testASumOfOneAndNoZeroWhateverIsRead(): void
    {
        $field = World::field('medium-car');
        $readings = [];
        foreach (
            [
                'push-back@lf' => 'hard-both',
                'hose-top@lf' => 'frees',
                'bleeder-open@lf' => 'dribbles-stuck',
                'line-runs@lf' => 'nothing',
                'wear@lf' => 'even',
            ] as $check => $word
        ) {
            $readings[] = new Reading(
                $check,
                CheckAt::parse($check),
                ['' => $word],
                false,
                new \DateTimeImmutable('2026-03-01'),
            );
        }
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings);
        self::assertEqualsWithDelta(1.0, array_sum($belief->weights->posterior) + $belief->second(), 1e-9);
        self::assertGreaterThan(0.0, min($belief->weights->posterior));
    }

    public function testARecentPartIsLessLikelyWornAndNeverStruckOut(): void
    {
        $field = World::field('medium-car');
        $old = Belief::of($field, Opening::first($field, Context::none(), 0.15), []);
        $new = Belief::of(
            $field,
            Opening::first($field, Context::none()->withPart(PartAt::parse('caliper@lf'), 0.35), 0.15),
            [],
        );
        self::assertLessThan($old->group('caliper@lf'), $new->group('caliper@lf'));
        self::assertGreaterThan(0.2 * $old->group('caliper@lf'), $new->group('caliper@lf'));
    }

    /** With 0.9 for the hose and 0.1 for the caliper, "yes" speaks 9 to 1 for the hose: clear. */
    public function testTheWeightOfAReadingInWords(): void
    {
        $field = ToyField::make();
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.0), [ToyField::reading('push', 'yes')]);
        $argument = Explanation::of($belief, GroupAt::parse('hose@vehicle'))[0];
        self::assertEqualsWithDelta(9.0, $argument->ratio, 1e-6);
        self::assertSame(Weight::ClearFor, $argument->weight);
        self::assertSame(Weight::ClearAgainst, Explanation::of($belief, GroupAt::parse('caliper@vehicle'))[0]->weight);
        self::assertSame(['' => 'no'], Explanation::of($belief, GroupAt::parse('caliper@vehicle'))[0]->expected);
        self::assertSame(
            [Weight::StrongFor, Weight::SlightFor, Weight::Neutral, Weight::StrongAgainst],
            array_map(Weight::ofRatio(...), [20.0, 2.0, 1.9, 0.05]),
        );
    }

    public function testAfterARepairTheOthersStayAliveAndTheCuredGroupNearlyVanishes(): void
    {
        $field = World::field('medium-car');
        $before = Belief::of($field, Opening::first($field, Context::none(), 0.15), [
            new Reading(
                'a',
                CheckAt::parse('complaint@vehicle'),
                ['' => 'drags-lf'],
                false,
                new \DateTimeImmutable('2026-03-01'),
            ),
        ]);
        $after = Belief::of(
            $field,
            Opening::afterRepair($field, $before, GroupAt::parse('hose@lf'), Context::none(), 0.4),
            [],
        );
        self::assertLessThan(0.05 * $before->group('hose@lf'), $after->group('hose@lf'));
        self::assertGreaterThan(0.9 * $before->group('caliper@lf'), $after->group('caliper@lf'));
        self::assertGreaterThan($before->group('none@vehicle'), $after->group('none@vehicle'));
    }

    /**
     * The wheel frees at the hose top (so the hose is sound) and stays stuck at its bleeder (so nothing was trapped).
     */
    public function testReadingsThatContradictEachOtherAreCalledSo(): void
    {
        $field = World::field('medium-car');
        $at = new \DateTimeImmutable('2026-03-01');
        $read = static fn (string $check, string $word): Reading => new Reading(
            $check,
            CheckAt::parse($check),
            ['' => $word],
            false,
            $at,
        );
        $agree = [
            $read('complaint@vehicle', 'drags-lf'),
            $read('bleeder-open@lf', 'spurts-frees'),
            $read('hose-top@lf', 'stays-stuck'),
            $read('push-back@lf', 'hard-shut-easy-open'),
        ];
        self::assertNull(Contradiction::in(Belief::of($field, Opening::first($field, Context::none(), 0.15), $agree)));
        $spin = new Reading(
            'spin',
            CheckAt::parse('spin@vehicle'),
            ['lf' => 'will-not-turn', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'],
            false,
            $at,
        );
        $clash = [
            $spin,
            $read('bleeder-open@lf', 'dribbles-stuck'),
            $read('hose-top@lf', 'frees'),
            $read('push-back@lf', 'easy'),
            new Reading('pins', CheckAt::parse('pins@lf'), ['pins' => 'free', 'pads' => 'free'], false, $at),
        ];
        $found = Contradiction::in(Belief::of($field, Opening::first($field, Context::none(), 0.15), $clash));
        self::assertNotNull($found);
        self::assertCount(2, $found->again);
        self::assertNotContains(
            'pins@lf',
            array_map(static fn (Reading $r): string => (string) $r->check, $found->again),
            'the reading that agrees with all is not asked for again',
        );
    }

    /**
     * Two answers of chance 0.1 whoever is to blame: a surprise of 2·2.303 = 4.61. Of answers with 0.1 and 0.9,
     * 2·0.325 is
     * expected, with a deviation of √(2·0.435) = 0.93: four and a quarter deviations over it. One alone is no
     * contradiction.
     */
    public function testSurprisesThatAddUpAreAContradiction(): void
    {
        $field = ToyField::make([0.1, 0.1], [0.1, 0.1]);
        $both = [ToyField::reading('push', 'yes'), ToyField::reading('look', 'yes')];
        self::assertNotNull(Contradiction::in(Belief::of($field, Opening::first($field, Context::none(), 0.0), $both)));
        $one = [ToyField::reading('push', 'yes'), ToyField::reading('look', 'no')];
        self::assertNull(Contradiction::in(Belief::of($field, Opening::first($field, Context::none(), 0.0), $one)));
    }

    /**
     * A slip of the pen: 2 % over 1.5 times the larger of twice the sound value and the largest median, 0.02 /
     * (1.5·200).
     */
    public function testANumberThatNothingExplainsIsASlipAndNotImpossible(): void
    {
        $row = [
            'words' => ['normal', 'long'],
            'table' => [[1.0, 0.0]],
            'index' => [0],
            'medians' => [100.0],
            'noise' => 0.01,
            'sound' => 100.0,
            'blunder' => 0.02,
        ];
        $signature = Signature::fromArray([
            'format' => 2,
            'key' => 'toy',
            'particles' => 1,
            'simulations' => 0,
            'rows' => ['pedal@vehicle/travel' => $row],
        ]);
        self::assertEqualsWithDelta(0.02 / 300.0, $signature->density('pedal@vehicle/travel', 170.0)[0], 1e-9);
    }

    public function testAWordThatTheCheckDoesNotHaveIsRefusedWithItsChoices(): void
    {
        $this->expectException(InvalidData::class);
        $this->expectExceptionMessage('expected yes, no');
        Belief::of($field = ToyField::make(), Opening::first($field, Context::none(), 0.1), [
            ToyField::reading('push', 'perhaps'),
        ]);
    }
}
