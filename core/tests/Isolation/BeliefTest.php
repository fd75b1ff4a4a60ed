<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Observer\Common;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Contradiction;
use Rodrel\Core\Isolation\Evidence;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Isolation\Weight;
use Rodrel\Core\Isolation\Weights;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\PartAt;

final class BeliefTest extends TestCase
{
    /**
     * Prior 0.85·(3/4, 1/4) and 0.15 for both at once; "push yes" has 0.9, 0.1 and on average 0.75·0.9 + 0.25·0.1 =
     * 0.7.
     * Two faults that nobody named show 0.9·0.1/0.7 of it, and count for the likelier of the two.
     */
    public function testBayesByHand(): void
    {
        $field = ToyField::make();
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), [ToyField::reading('push', 'yes')]);
        $hose = 0.85 * 0.75 * 0.9;
        $caliper = 0.85 * 0.25 * 0.1;
        $second = 0.15 * 0.9 * 0.1 / 0.7;
        $sum = $hose + $caliper + $second;
        self::assertEqualsWithDelta(($hose + $second) / $sum, $belief->group('hose@vehicle'), 1e-9);
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

    /** "Yes" is 0.9 under the hose, 0.1 under the caliper: yes and no together are half under both and tell nothing. */
    public function testTheOrderOfReadingsDoesNotMatterAndOfTwoTakesThatDifferAThirdDecides(): void
    {
        $field = ToyField::make();
        $opening = Opening::first($field, Context::none(), 0.15);
        $a = ToyField::reading('push', 'yes', at: '2026-03-01 10:00:00');
        $b = ToyField::reading('look', 'no', at: '2026-03-01 10:05:00');
        $c = ToyField::reading('push', 'no', at: '2026-03-01 10:10:00');
        $d = ToyField::reading('push', 'no', at: '2026-03-01 10:15:00');
        $one = Belief::of($field, $opening, [$a, $b, $c]);
        $other = Belief::of($field, $opening, [$c, $a, $b]);
        self::assertEqualsWithDelta($one->groups, $other->groups, 1e-12);
        self::assertEqualsWithDelta(Belief::of($field, $opening, [$b])->groups, $one->groups, 1e-12);
        self::assertTrue($one->readings[1]->isTorn());
        self::assertTrue($one->readings[1]->bearsAnother());
        $third = Belief::of($field, $opening, [$a, $b, $c, $d]);
        self::assertEqualsWithDelta(Belief::of($field, $opening, [$b, $d])->groups, $third->groups, 1e-12);
        self::assertFalse($third->readings[1]->bearsAnother());
        $same = Belief::of($field, $opening, [$b, $c, $d]);
        self::assertEqualsWithDelta(Belief::of($field, $opening, [$b, $d])->groups, $same->groups, 1e-12, 'no proof');
        self::assertFalse($same->readings[1]->bearsAnother());
        self::assertEqualsWithDelta(Belief::of($field, $opening, [$b])->groups, $same->groupsWithout(1), 1e-12);
    }

    /**
     * Lifting a reading off the whole is believing the others alone: with a hand that two sheets share, with typed
     * numbers, unsure, and with a wheel told wrongly once, so that what was gone comes back.
     */
    public function testAReadingLiftedOffLeavesWhatTheOthersSay(): void
    {
        $field = World::field('medium-car');
        $opening = Opening::first($field, Context::none(), 0.15);
        $at = new \DateTimeImmutable('2026-03-01');
        $wheels = static fn (string $lf): array => [
            'lf' => $lf,
            'rf' => 'one-finger',
            'lr' => 'one-finger',
            'rr' => 'one-hand',
        ];
        $read = static function (string $check, array $words, bool $unsure = false, array $numbers = []) use ($at) {
            return new Reading($check, CheckAt::parse($check), $words, $unsure, $at, $numbers);
        };
        $pedal = ['sink' => 'none', 'feel' => 'firm', 'travel' => 'normal'];
        $readings = [
            $read('complaint@vehicle', ['' => 'drags-lf']),
            $read('spin@vehicle', $wheels('will-not-turn')),
            $read('spin-later@vehicle', $wheels('one-finger')),
            $read('turned-light@vehicle', ['lf' => 'late'] + array_fill_keys(['rf', 'lr', 'rr'], 'with-the-others')),
            $read('pedal@vehicle', $pedal, false, ['travel' => 58.0]),
            $read('push-back@lf', ['' => 'fades'], true),
            $read('bleeder-open@lf', ['' => 'spurts-frees']),
        ];
        $whole = Belief::of($field, $opening, $readings);
        foreach (array_keys($readings) as $n) {
            $others = Belief::of($field, $opening, array_values(array_diff_key($readings, [$n => true])))->groups;
            $lifted = $whole->groupsWithout($n);
            ksort($others);
            ksort($lifted);
            self::assertEqualsWithDelta($others, $lifted, 1e-9, (string) $readings[$n]->check);
        }
        self::assertGreaterThan(0.002, abs($whole->groupsWithout(1)['hose@lf'] - $whole->group('hose@lf')));
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
        self::assertEqualsWithDelta(1.0, array_sum($belief->weights->posterior), 1e-9);
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
            Opening::afterRepair($field, $before, [GroupAt::parse('hose@lf')], Context::none(), 0.4),
            [],
        );
        self::assertLessThan(0.05 * $before->group('hose@lf'), $after->group('hose@lf'));
        self::assertGreaterThan(0.9 * $before->group('caliper@lf'), $after->group('caliper@lf'));
        self::assertGreaterThan($before->group('none@vehicle'), $after->group('none@vehicle'));
    }

    /**
     * Opened at the bleeder it comes free, at the hose's top it does not: the hose; and its piston will not go back.
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
        $now = new Situation(new CarState(Lift::WheelsOff, true), []);
        $in = static fn (array $readings): ?Contradiction => Contradiction::in(
            Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings),
            $now,
        );
        self::assertNull($in($agree));
        $toy = ToyField::make([0.98, 0.02], [0.09, 0.5]);
        $torn = static fn (Reading ...$readings): ?Contradiction => Contradiction::in(
            Belief::of($toy, Opening::first($toy, Context::none(), 0.0), array_values($readings)),
            $now,
        );
        $clash = [ToyField::reading('push', 'yes'), ToyField::reading('look', 'yes')];
        $found = $torn(...$clash);
        self::assertNotNull($found);
        $asked = array_map(static fn (Reading $r): string => (string) $r->check, $found->again);
        self::assertSame(['look@vehicle'], $asked, 'what speaks for the leader is not asked again');
        $twice = array_map(static fn (Reading $r): Reading => new Reading(
            $r->id,
            $r->check,
            $r->outcomes,
            false,
            $at,
            how: new HowTaken(times: 2),
        ), $clash);
        $left = $torn(...$twice);
        self::assertNotNull($left, 'it stays odd');
        self::assertSame([], $left->again, 'and nothing is asked a third time');
    }

    /**
     * Words that are rare whoever is to blame contradict nobody: 0.1 under the hose and 0.1 under the caliper. Against
     * the leader speaks only what is five times likelier elsewhere: 0.1 against 0.5 is, 0.12 against 0.5 is not.
     */
    public function testARareWordAloneIsNoContradiction(): void
    {
        $in = static function (array $look): ?Contradiction {
            $field = ToyField::make([0.98, 0.02], $look);
            $readings = [ToyField::reading('push', 'yes'), ToyField::reading('look', 'yes')];
            $belief = Belief::of($field, Opening::first($field, Context::none(), 0.0), $readings);

            return Contradiction::in($belief, new Situation(new CarState(Lift::Ground), $readings));
        };
        self::assertNull($in([0.1, 0.1]));
        self::assertNull($in([0.12, 0.5]));
        self::assertCount(1, $in([0.09, 0.5])->odd ?? []);
    }

    /**
     * Two rows that share half of their variance: given the shared part z, each is a normal with the other half. At a
     * limit one deviation up, a median vehicle (z = 0) stays below with Φ(√2) = 0.921, not Φ(1) = 0.841; with the cause
     * one deviation up it is an even bet less: Φ((1 − 0.7071) / 0.7071) = Φ(0.414) = 0.661.
     */
    public function testACauseOfErrorThatIsKnownSharpensWhatItIsSharedBy(): void
    {
        $chances = [0.841345, 0.158655];
        self::assertEqualsWithDelta(0.92135, Common::given($chances, 0, 1.0, \M_SQRT1_2, [0.0])[0], 1e-4);
        self::assertEqualsWithDelta(0.66067, Common::given($chances, 0, 1.0, \M_SQRT1_2, [1.0])[0], 1e-4);
    }

    /**
     * Slips of 2, 5 and 10 % in a row of two words with its own 2 %: after ten rows that the only fault denies with
     * certainty, chance of one each 0.01, 0.025, 0.05 by the share of slips; weights ½, 0.3, 0.2 times those to the
     * tenth: 0.2·0.05¹⁰ outweighs 0.3·0.025¹⁰ by 683 to 1.
     */
    public function testAJobFullOfSlipsIsBelievedToBeOne(): void
    {
        $logs = array_map(
            static fn (array $slip): array => [log($slip[1]) + 10.0 * log(0.01 * $slip[0]), -1e3],
            Evidence::SLIPS,
        );
        $slips = Weights::ofScaled(Weights::scaled($logs)[0], 1, 0.0)->slips;
        self::assertGreaterThan(0.998, $slips[2]);
        self::assertEqualsWithDelta(0.2 / 0.3 * 2.0 ** 10, $slips[2] / $slips[1], 1.0);
    }

    /**
     * Twenty rows answered, nineteen yes and the last one no, where the hose says yes throughout. Slips of 2, 5, 10 %
     * in
     * rows of two words leave 1 − q/2 and q/2: 0.99¹⁹·0.01 = 0.008262, 0.975¹⁹·0.025 = 0.015453, 0.95¹⁹·0.05 =
     * 0.018868,
     * weighed ½, 0.3, 0.2: 0.012541. The caliper, whose last row is no: 0.99²⁰, 0.975²⁰, 0.95²⁰, weighed: 0.661449.
     * Of 3 : 1 before there is 0.75·0.012541 against 0.25·0.661449: 5.4 % left.
     */
    public function testASheetOfTwentyRowsAndOneSlip(): void
    {
        $field = ToyField::sheet();
        $words = array_fill(1, 20, 'yes');
        $words[20] = 'no';
        $rows = array_map(static fn (int $n): string => 'row-'.$n, array_keys($words));
        $outcomes = array_combine($rows, $words);
        $at = new \DateTimeImmutable('2026-03-01');
        $sheet = new Reading('s', CheckAt::parse('look@vehicle'), $outcomes, false, $at);
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.0), [$sheet]);
        self::assertEqualsWithDelta(0.053817, $belief->group('hose@vehicle'), 1e-5);
    }

    /** A slip of the pen falls anywhere up to 1.5 times the larger of twice the sound value and the largest median. */
    public function testANumberThatNothingExplainsIsASlipAndNotImpossible(): void
    {
        $field = World::field('medium-car');
        $signature = $field->signature->rows['pedal@vehicle/travel'];
        $sound = $signature['sound'] ?? 0.0;
        $most = max($signature['medians'] ?? [0.0]);
        $read = static fn (float $mm): Belief => Belief::of($field, Opening::first($field, Context::none(), 0.0), [
            new Reading(
                'p',
                CheckAt::parse('pedal@vehicle'),
                ['travel' => 'floor'],
                false,
                new \DateTimeImmutable('2026-03-01'),
                ['travel' => $mm],
            ),
        ]);
        // ten times the most that any fault shows: a slip of 2, 5 or 10 % on average, 0.5·2 + 0.3·5 + 0.2·10 = 4.5 %;
        // on two vehicles in a hundred the pedal is nothing that the model knows, and anything is as likely
        $slip = 0.045 / (1.5 * max(2.0 * $sound, $most));
        self::assertEqualsWithDelta(log(1.02 * $slip), $read(10.0 * $most)->weights->evidence, 1e-6);
    }

    public function testAWordThatTheCheckDoesNotHaveIsRefusedWithItsChoices(): void
    {
        $this->expectException(InvalidData::class);
        $this->expectExceptionMessage('expected yes, no');
        Belief::of($field = ToyField::make(), Opening::first($field, Context::none(), 0.1), [
            ToyField::reading('push', 'perhaps'),
        ]);
    }

    /**
     * By hand: half a millimetre to go 4, 2.75 mm 4^(1 − 2.25/2.25) = 1, five and more 1/4; of an axle the worst wheel,
     * and a shoe's own.
     */
    public function testAMeasuredLiningSpeaksBeforeAnyReading(): void
    {
        $particles = World::field('medium-car')->particles;
        $factor = static function (Context $context, string $suspect) use ($particles): float {
            foreach ($particles as $particle) {
                if ($particle->suspect->is($suspect)) {
                    return $context->factor($particle);
                }
            }
            self::fail("no $suspect");
        };
        foreach ([[0.2, 4.0], [0.5, 4.0], [2.75, 1.0], [5.0, 0.25], [9.0, 0.25]] as [$left, $times]) {
            $context = Context::none()->withLining(Corner::LeftFront, 9.0)->withLining(Corner::RightFront, $left);
            self::assertEqualsWithDelta($times, $factor($context, 'pads.worn@front'), 1e-9, "$left mm");
        }
        $rear = Context::none()->withLining(Corner::LeftRear, 0.5);
        self::assertEqualsWithDelta(4.0, $factor($rear, 'shoes.worn@lr'), 1e-9);
        self::assertEqualsWithDelta(1.0, $factor($rear, 'shoes.worn@rr'), 1e-9, 'not the other side\'s');
        self::assertEqualsWithDelta(1.0, $factor($rear, 'pads.stuck@lf'), 1e-9, 'nor anything else');
    }
}
