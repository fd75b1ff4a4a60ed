<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Couples;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Planner;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Shelf;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Two faults in one vehicle. */
final class PairsTest extends TestCase
{
    /** Drags add up, of two narrow passages the narrower counts, of two bands the larger. */
    public function testEffectsOfTwoFaultsTogether(): void
    {
        $one = new Effects(['brake@lf' => ['extra_drag' => 30.0, 'hold' => 200.0], 'hose@lf' => ['gr' => 1e-5]]);
        $other = new Effects(['brake@lf' => ['extra_drag' => 12.0, 'hold' => 700.0], 'hose@lf' => ['gr' => 1e-3]]);
        $both = ['brake@lf' => ['extra_drag' => 42.0, 'hold' => 700.0], 'hose@lf' => ['gr' => 1e-5]];
        self::assertEquals($both, $one->together($other)->all());
        self::assertEquals($both, $other->together($one)->all());
    }

    /** The prior of pairs is part of the shop's share, a typical pair has its factor, and all sums to one. */
    public function testWhatIsExpectedOfPairs(): void
    {
        [$field, $opening] = $this->joined([
            ['guide-pins.stuck@lf', 'piston.stuck-out@lf'],
            ['guide-pins.stuck@lf', 'piston.stuck-out@rf'],
        ]);
        self::assertEqualsWithDelta(1.0, array_sum($opening->weights), 1e-9);
        $sums = $field->suspects->sums($field->folded($opening->weights));
        $same = $sums['guide-pins.stuck@lf + piston.stuck-out@lf'];
        self::assertEqualsWithDelta(6.0, $same / $sums['guide-pins.stuck@lf + piston.stuck-out@rf'], 1e-9);
        self::assertLessThan(0.15, $same);
    }

    /**
     * Two wheels that drag for reasons of their own: the pair is believed, both repairs are, and one cured leaves the
     * other.
     */
    public function testTwoWheelsAndWhatIsLeftAfterTheFirstRepair(): void
    {
        [$field, $opening] = $this->joined([['guide-pins.stuck@lf', 'piston.stuck-out@rf']]);
        $at = new \DateTimeImmutable('2026-03-01');
        $read = static fn (string $check, array $words): Reading => new Reading(
            $check,
            CheckAt::parse($check),
            $words,
            false,
            $at,
        );
        $readings = [
            $read('spin@vehicle', [
                'lf' => 'two-hands',
                'rf' => 'will-not-turn',
                'lr' => 'one-finger',
                'rr' => 'one-finger',
            ]),
            $read('push-back@rf', ['' => 'hard-both']),
            $read('pins@lf', ['pins' => 'seized', 'pads' => 'free']),
            $read('push-back@lf', ['' => 'easy']),
            $read('wear@lf', ['' => 'inner']),
            $read('caliper-look@rf', ['piston' => 'torn-or-rusty']),
            $read('push-force@rf', ['' => 'heavy']),
        ];
        $belief = Belief::of($field, $opening, $readings);
        self::assertGreaterThan(0.35, $belief->group('pins@lf'), 'the rest is pairs that nobody named');
        self::assertGreaterThan(0.5, $belief->group('caliper@rf'));
        $after = Opening::afterRepair($field, $belief, [GroupAt::parse('caliper@rf')], Context::none(), 0.4);
        $left = Belief::of($field, $after, []);
        self::assertSame('pins@lf', (string) $left->leader()[0]);
        self::assertGreaterThan(0.35, $left->group('pins@lf'));

        $planner = new Planner($belief, World::settings());
        $proposal = $planner->rank(
            new Situation(new CarState(Lift::WheelsOff, true), $readings),
            static fn (): bool => true,
        )[0];
        foreach ($planner->answers->fork($proposal) as $branch) {
            foreach ($branch->leaders as [$group]) {
                self::assertNotNull(GroupAt::tryParse($group), 'a fork names repairs, one by one');
            }
        }
    }

    /**
     * @param list<array{string, string}> $pairs
     *
     * @return array{Field, Opening}
     */
    private function joined(array $pairs): array
    {
        $shelf = new Shelf(World::prediction(World::layout()), World::catalogue()->faults);
        $couples = [];
        foreach ($pairs as [$one, $other]) {
            $couples[$one.' '.$other] = [SuspectAt::parse($one), SuspectAt::parse($other)];
        }
        $field = Couples::join(World::field('medium-car'), $couples, $shelf);

        return [$field, Opening::first($field, Context::none(), 0.15)];
    }
}
