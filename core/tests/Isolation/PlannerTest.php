<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Complaint;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Planner;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Sighted;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

final class PlannerTest extends TestCase
{
    /**
     * Hose 2800 + 35 min · 100 + 150 mL · 1 = 6450, caliper 11500 + 60·100 + 250 = 17750 (in cents, at 100 a minute).
     * Masses 0.75 and 0.25: hose first (8600 per chance against 71000), so 6450 + 0.25 · 17750 = 10887.5;
     * with the truth known 0.75 · 6450 + 0.25 · 17750 = 9275.
     */
    public function testExpectedCostTriesTheCheapestPerChanceFirst(): void
    {
        $field = ToyField::make();
        $costs = Costs::of($field, World::settings());
        self::assertEqualsWithDelta(6450.0, $costs->byGroup[0], 1e-6);
        self::assertEqualsWithDelta(17750.0, $costs->byGroup[1], 1e-6);
        self::assertEqualsWithDelta(10887.5, $costs->expected([0.75, 0.25]), 1e-6);
        self::assertEqualsWithDelta(9275.0, $costs->ifTruthWereKnown([0.75, 0.25]), 1e-6);
    }

    /**
     * "Push", 5 minutes, wheels off from the ground: 4 + 6 more, and a minute's walk. Yes has 0.75·0.9 + 0.25·0.1 =
     * 0.7; then the hose
     * has 0.675/0.7. Entropy before 0.811278 bits; after yes 0.222285, after no 0.811278 (0.25 against 0.75).
     * Cost after yes 6450 + 0.0357·17750 = 7083.93; after no the caliper has 0.75: hose 6450/0.25 = 25800,
     * caliper 17750/0.75 = 23667, so caliper first: 17750 + 0.25·6450 = 19362.5.
     */
    public function testTheWorthOfACheckByHand(): void
    {
        $field = ToyField::make();
        $planner = new Planner(Belief::of($field, Opening::first($field, Context::none(), 0.0), []), World::settings());
        $now = new Situation(new CarState(Lift::Ground, false, false, true), []);
        $proposal = $planner->weigh($field->knowledge->checks->of('push'), Place::vehicle(), $now);
        $bits = 0.811278 - 0.7 * 0.222285 - 0.3 * 0.811278;
        $saving = 10887.5 - 0.7 * 7083.93 - 0.3 * 19362.5;
        $lambda = (10887.5 - 9275.0) / 0.811278;
        self::assertEqualsWithDelta($bits, $proposal->worth->bits, 1e-4);
        self::assertEqualsWithDelta($saving, $proposal->worth->savingCents, 0.5);
        self::assertEqualsWithDelta(16.0, $proposal->worth->minutes, 1e-9);
        self::assertEqualsWithDelta($saving + $lambda * $bits - 16.0 * 100.0, $proposal->worth->score, 0.5, 'net');
        self::assertEqualsWithDelta(11.0, $proposal->worth->wayMinutes, 1e-9);
        $fork = $planner->answers->fork($proposal);
        self::assertSame(
            ['yes', 'no'],
            array_map(static fn ($branch): string => $branch->outcomes[''], $fork),
        );
        self::assertEqualsWithDelta(0.7, $fork[0]->chance, 1e-9);
        self::assertSame('hose@vehicle', $fork[0]->leaders[0][0]);
    }

    /** 0.95 of belief passes the threshold of 0.9, but opening the system wants the confirming check first. */
    public function testPastTheThresholdTheConfirmingCheckComesBeforeTheRepair(): void
    {
        $field = World::field('medium-car');
        $at = new \DateTimeImmutable('2026-03-01');
        $spin = new Reading(
            's',
            CheckAt::parse('spin@vehicle'),
            ['lf' => 'will-not-turn', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'],
            false,
            $at,
        );
        $free = ['rf' => 'at-once', 'lr' => 'at-once', 'rr' => 'at-once'];
        $readings = [
            new Reading('c', CheckAt::parse('complaint@vehicle'), ['' => 'drags-lf'], false, $at),
            new Reading('w', CheckAt::parse('pattern@vehicle'), ['' => 'lets-go'], false, $at),
            $spin,
            new Reading('p', CheckAt::parse('push-back@lf'), ['' => 'fades'], false, $at),
            new Reading('i', CheckAt::parse('pipe-look@vehicle'), ['' => 'sound'], false, $at),
            new Reading('f', CheckAt::parse('free-after@vehicle'), ['lf' => 'minutes'] + $free, false, $at),
        ];
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings);
        self::assertGreaterThan(0.5, $belief->group('hose@lf'));
        // a look within reach comes before the bleeder
        $car = new CarState(Lift::WheelsOff, true, false, true);
        $now = new Situation($car, $readings, complaint: new Complaint(['drags-lf']));
        self::assertSame('hose-look@lf', (string) Verdict::of($belief, $now, World::settings())->next?->at);
        $readings[] = new Reading('h', CheckAt::parse('hose-look@lf'), ['' => 'cracked'], false, $at);
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings);
        $verdict = Verdict::of(
            $belief,
            new Situation(new CarState(Lift::WheelsOff, true, false, true), $readings),
            World::settings(),
        );
        self::assertSame('bleeder-open@lf', (string) $verdict->next?->at);
        self::assertSame('confirm', $verdict->reason);
        $readings[] = new Reading('b', CheckAt::parse('bleeder-open@lf'), ['' => 'spurts-frees'], false, $at);
        $now = new Situation(new CarState(Lift::WheelsOff, true, true, true), $readings);
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings);
        $next = Verdict::of($belief, $now, World::settings())->next;
        self::assertSame('hose-top@lf', (string) $next?->at, 'a valve behind it frees at the bleeder too');
        $readings[] = new Reading('h', CheckAt::parse('hose-top@lf'), ['' => 'stays-stuck'], false, $at);
        $after = Verdict::of(
            Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings),
            new Situation(new CarState(Lift::WheelsOff, true, true, true), $readings),
            World::settings(),
        );
        self::assertSame('', (string) $after->next?->at);
        self::assertSame('hose@lf', (string) $after->repair);
    }

    public function testNoLadderRungIsSuggestedBeforeTheWheelIsProvedStuck(): void
    {
        $field = World::field('medium-car');
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), [
            new Reading(
                'c',
                CheckAt::parse('complaint@vehicle'),
                ['' => 'drags-lf'],
                false,
                new \DateTimeImmutable('2026-03-01'),
            ),
        ]);
        $verdict = Verdict::of(
            $belief,
            new Situation(new CarState(Lift::Ground, false, false, true), []),
            World::settings(),
        );
        foreach ([$verdict->next, ...$verdict->others] as $proposal) {
            self::assertNotContains('stuck', $proposal->check->demand->gates ?? []);
        }
        $closed = $this->closedFor('hose-top@lf', new Situation(new CarState(Lift::WheelsOff, true, false, true), []));
        self::assertSame(['stuck'], array_map(static fn ($gate): string => $gate->id, $closed));
    }

    public function testACheckWhoseToolTheShopHasNotIsNotSuggested(): void
    {
        $field = World::field('medium-car');
        $at = new \DateTimeImmutable('2026-03-01');
        $readings = [
            new Reading('c', CheckAt::parse('complaint@vehicle'), ['' => 'drags-lf'], false, $at),
            new Reading(
                's',
                CheckAt::parse('spin@vehicle'),
                ['lf' => 'will-not-turn', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'],
                false,
                $at,
            ),
        ];
        $now = new Situation(new CarState(Lift::WheelsOff, true, false, true), $readings);
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings);
        $ids = static function (?array $tools) use ($belief, $now): array {
            $verdict = Verdict::of($belief, $now, World::settings($tools));

            return array_map(static fn ($p): string => $p->at->id, array_filter([$verdict->next, ...$verdict->others]));
        };
        $all = ['box-spanner', 'bleed-bottle', 'line-wrench', 'catch-tray', 'piston-tool', 'socket-set', 'force-gauge'];
        self::assertSame($ids(null), $ids($all));
        self::assertContains('push-back', $ids($all));
        self::assertNotContains('push-back', $ids(['box-spanner']));
    }

    /** A soaked lining is wrong whatever the driver said; glaze on old pads and a dry hose are ordinary. */
    public function testWhatWasSeenAndIsWrongInItself(): void
    {
        $field = World::field('medium-car');
        $at = new \DateTimeImmutable('2026-03-01');
        $seen = static function (string $check, array $words, bool $unsure = false) use ($field, $at): array {
            $readings = [
                new Reading('c', CheckAt::parse('complaint@vehicle'), ['' => 'locks-front'], false, $at),
                new Reading('r', CheckAt::parse($check), $words, $unsure, $at),
            ];
            $found = Sighted::in(
                Belief::of($field, Opening::first($field, Context::none(), 0.15), $readings),
            );

            return array_map(static fn (Sighted $one): string => $one->group.' '.$one->sighting->as, $found);
        };
        $soaked = ['boots' => 'dry', 'lining' => 'soaked', 'adjuster' => 'turns', 'spring' => 'right'];
        self::assertSame(['shoes@lr consequence'], $seen('drum-look@lr', $soaked));
        self::assertSame([], $seen('drum-look@lr', $soaked, true), 'who is not sure has not seen it');
        self::assertSame([], $seen('drum-look@lr', ['lining' => 'dry'] + $soaked));
        self::assertSame(['pads@front consequence'], $seen('pads-look@lf', ['' => 'glazed']));
        self::assertSame(['hose@lf graded'], $seen('hose-look@lf', ['' => 'cracked']));
        self::assertSame([], $seen('hose-look@lf', ['' => 'sound']));
    }

    /** Where pressure is stored nothing is opened before it is let go, and an engine that ran since fills it again. */
    public function testStoredPressureIsLetGoFirst(): void
    {
        $at = new \DateTimeImmutable('2026-03-01');
        $let = new Reading('d', CheckAt::parse('discharge@vehicle'), ['' => 'let-go'], false, $at);
        $still = new Reading('d', CheckAt::parse('discharge@vehicle'), ['' => 'still-stored'], false, $at);
        $ran = new Reading('e', CheckAt::parse('lamp-seconds@vehicle'), ['' => 'in-time'], false, $at);
        $closed = function (Reach $reach, Reading ...$readings): bool {
            $car = new CarState(Lift::WheelsOff, true, false, true);
            $now = new Situation($car, array_values($readings), true, $reach);
            $gates = $this->closedFor('hose-top@lf', $now);

            return \in_array('stored', array_map(static fn ($gate): string => $gate->id, $gates), true);
        };
        self::assertFalse($closed(Reach::Foot));
        self::assertTrue($closed(Reach::Unit));
        self::assertTrue($closed(Reach::Unit, $still));
        self::assertFalse($closed(Reach::Unit, $let));
        self::assertTrue($closed(Reach::Unit, $let, $ran));
        self::assertFalse($closed(Reach::Unit, $ran, $let));
    }

    /** The road of a lorry asks for its air, not for a pedal it has not; a car's never asks for air. */
    public function testARoadAsksForWhatAVehicleCanShow(): void
    {
        $unmet = static fn (Reach $reach): array => World::catalogue()->gates->road(
            new Situation(new CarState(Lift::Ground, true, false, true), [], true, $reach),
            World::catalogue()->checks,
        )->unmet;
        self::assertContains('air-stands', $unmet(Reach::Air));
        self::assertContains('free-lf', $unmet(Reach::Air));
        self::assertSame([], array_intersect(['level', 'firm', 'no-sink', 'pedal-high'], $unmet(Reach::Air)));
        self::assertContains('firm', $unmet(Reach::Foot));
        self::assertSame([], array_intersect(['air-stands', 'air-lamp', 'lamp-goes-out'], $unmet(Reach::Foot)));
        self::assertSame(['lamp-goes-out'], $unmet(Reach::WetDiscs));
    }

    public function testGatesAreClosedUntilAReadingOpensThem(): void
    {
        $ids = fn (Situation $now): array => array_merge(
            ...array_map(static fn ($gate): array => $gate->unmet, $this->closedFor('spin@vehicle', $now)),
        );
        self::assertSame(['raise'], $ids(new Situation(new CarState(Lift::Ground, false, false, true), [])));
        self::assertSame(['stands'], $ids(new Situation(new CarState(Lift::Raised, false, false, true), [])));
        self::assertSame(['cool'], $ids(new Situation(new CarState(Lift::Raised, true, false, false), [])));
        self::assertSame([], $ids(new Situation(new CarState(Lift::Raised, true, false, true), [])));

        // the strokes before the first start: whoever drove in has started it
        $cold = fn (bool $in): array => array_map(
            static fn ($gate): string => $gate->id,
            $this->closedFor('strokes-cold@vehicle', new Situation(new CarState(Lift::Ground, drivenIn: $in), [])),
        );
        self::assertSame([[], ['unstarted']], [$cold(false), $cold(true)]);
        $tools = Gate::ofTools(['scan-tool', 'chalk']);
        self::assertSame(['scan-tool', 'chalk'], $tools->tools());
        self::assertTrue($tools->overridable, 'somebody may have borrowed one');

        $at = new \DateTimeImmutable('2026-03-01');
        $good = [
            new Reading(
                'l',
                CheckAt::parse('look@vehicle'),
                ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'],
                false,
                $at,
            ),
            new Reading(
                'p',
                CheckAt::parse('pedal@vehicle'),
                ['travel' => 'normal', 'sink' => 'none', 'feel' => 'firm'],
                false,
                $at,
            ),
            new Reading(
                's',
                CheckAt::parse('spin@vehicle'),
                ['lf' => 'one-finger', 'rf' => 'one-hand', 'lr' => 'one-finger', 'rr' => 'one-finger'],
                false,
                $at,
            ),
        ];
        self::assertCount(10, $this->road(new Situation(new CarState(Lift::Ground, false, false, true), []))->unmet);
        self::assertFalse($this->road(new Situation(new CarState(Lift::Ground, false, false, true), []))->seenUnsafe);
        self::assertTrue($this->road(new Situation(new CarState(Lift::Ground, false, false, true), $good))->isOpen());
        self::assertSame(
            ['closed-and-proved'],
            $this->road(new Situation(new CarState(Lift::Ground, false, true, true), $good))->unmet,
        );
        $good[0] = new Reading(
            'l',
            CheckAt::parse('look@vehicle'),
            ['level' => 'good', 'wet' => 'bad', 'lamp' => 'good'],
            false,
            $at,
        );
        $wet = $this->road(new Situation(new CarState(Lift::Ground, false, false, true), $good));
        self::assertSame(['dry'], $wet->unmet);
        self::assertTrue($wet->seenUnsafe);
        self::assertFalse($wet->overridable);
    }

    public function testTwoHandsOfDragCloseTheRoadAndNobodyOverridesAHotWheel(): void
    {
        $at = new \DateTimeImmutable('2026-03-01');
        foreach (['spin-hard@vehicle', 'spin@vehicle'] as $check) {
            $read = static fn (string $word): Reading => new Reading(
                's',
                CheckAt::parse($check),
                ['lf' => $word, 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'],
                false,
                $at,
            );
            $free = $this->road(new Situation(new CarState(Lift::Ground, false, false, true), [$read('one-hand')]));
            self::assertNotContains('free-lf', $free->unmet);
            foreach (['two-hands', 'will-not-turn'] as $word) {
                self::assertContains(
                    'free-lf',
                    $this->road(new Situation(new CarState(Lift::Ground, false, false, true), [$read($word)]))->unmet,
                );
            }
        }
        [$hot] = $this->closedFor('spin@vehicle', new Situation(new CarState(Lift::Raised, true, false, false), []));
        self::assertSame('hot', $hot->id);
        self::assertFalse($hot->overridable);
    }

    /** A spin told wrongly as free must not let a wheel on the road that another reading found held. */
    public function testAWheelHeldInAnyReadingClosesTheRoad(): void
    {
        $at = new \DateTimeImmutable('2026-03-01');
        $ground = new CarState(Lift::Ground, false, false, true);
        $free = array_fill_keys(['lf', 'rf', 'lr', 'rr'], 'one-finger');
        $spin = new Reading('s', CheckAt::parse('spin@vehicle'), $free, false, $at);
        foreach ([
            ['engine@vehicle', 'on', 'two-hands', 'one-hand', 'turns-engine-on'],
            ['engine@vehicle', 'off', 'will-not-turn', 'one-finger', 'turns-engine-off'],
            ['relay-out@vehicle', 'vented', 'two-hands', 'one-hand', 'turns-vented'],
            ['relay-out@vehicle', 'hand-pump', 'will-not-turn', 'one-hand', 'turns-pumped'],
            ['spin-later@vehicle', 'lr', 'two-hands', 'one-hand', 'turns-later-lr'],
            ['spin-series@vehicle', 'rf', 'will-not-turn', 'one-hand', 'turns-series-rf'],
            ['free-after@vehicle', 'lf', 'minutes', 'seconds', 'lets-go-lf'],
        ] as [$check, $row, $held, $turns, $key]) {
            $road = fn (string $word): array => $this->road(new Situation($ground, [
                $spin,
                new Reading('r', CheckAt::parse($check), [$row => $word], false, $at),
            ]))->unmet;
            self::assertContains($key, $road($held));
            self::assertNotContains($key, $road($turns));
            self::assertNotContains($key, $this->road(new Situation($ground, [$spin]))->unmet, 'nobody looked');
        }
    }

    /**
     * "Push" read unsurely as no leaves 0.5·0.1 + 0.25 = 0.3 against 0.7 of the caliper: the hose leads with 0.225 to
     * 0.175,
     * and its own confirming check spoke against it.
     */
    public function testAConfirmingCheckThatSpokeAgainstItConfirmsNothing(): void
    {
        $field = ToyField::make();
        $against = ToyField::reading('push', 'no', true);
        $belief = Belief::of($field, Opening::first($field, Context::none(), 0.0), [$against]);
        self::assertSame('hose@vehicle', (string) $belief->leader()[0]);
        $now = new Situation(new CarState(Lift::WheelsOff, true, false, true), [$against]);
        self::assertFalse(Verdict::of($belief, $now, World::settings())->confirmed);
    }

    /**
     * "Push yes" speaks 3 to 1 for the hose, "look yes" 4 to 1. The look raised it, the push confirms it, where 2 to 1
     * is
     * enough; a part dearer than the shop's limit wants 5 to 1. Alone, or taken once, the push confirms nothing.
     */
    public function testWhatConfirmsAFinding(): void
    {
        $field = ToyField::make([0.75, 0.25], [0.8, 0.2], ['adjuster', 'pins']);
        $confirmed = static function (int $parts, Reading ...$readings) use ($field): bool {
            $belief = Belief::of($field, Opening::first($field, Context::none(), 0.0), array_values($readings));
            $settings = World::settings(null, ['prices' => ['adjuster' => ['parts_cents' => $parts]]]);
            $now = new Situation(new CarState(Lift::WheelsOff, true), array_values($readings));

            return Verdict::of($belief, $now, $settings)->confirmed;
        };
        [$push, $look] = [ToyField::reading('push', 'yes'), ToyField::reading('look', 'yes')];
        self::assertFalse($confirmed(100, $push), 'nothing else raised it');
        self::assertFalse($confirmed(100, $look), 'its own check was not made');
        self::assertFalse($confirmed(100, ToyField::reading('push', 'no', true), $look), 'it spoke against it');
        self::assertTrue($confirmed(100, $push, $look));
        self::assertFalse($confirmed(8001, $push, $look), 'too dear for 3 to 1');
        self::assertTrue($confirmed(100, $push, ToyField::reading('push', 'yes', at: '2026-03-01 10:09:00')), 'twice');
    }

    /** After thirty-two checks of a sound vehicle nobody goes on looking for pennies. */
    public function testTheSearchEnds(): void
    {
        $sound = HiddenVehicle::with(World::field('medium-car'), 'nothing.wrong@vehicle', 0, new Mt19937(7));
        $log = [$this->entry(1, Kind::Intake, ['complaint' => 'drags-lf', 'parts' => []])];
        foreach (World::catalogue()->checks as $check) {
            $asked = $check->role->proof || $check->role->asked || $check->isHeat();
            foreach ($asked ? [] : $check->everywhere(World::layout()) as $at) {
                $words = $numbers = [];
                foreach ($sound->answer($at) as $row => $answer) {
                    if (\is_float($answer)) {
                        $numbers[$row] = ['typed' => (string) $answer, 'unit' => '', 'core' => $answer];
                    } else {
                        $words[$row] = $answer;
                    }
                }
                $says = ['check' => (string) $at, 'outcomes' => $words, 'numbers' => $numbers];
                $log[] = $this->entry(1 + \count($log), Kind::Reading, $says);
            }
        }
        $after = static function (int $readings) use ($log): Verdict {
            $state = World::state(\array_slice($log, 0, 1 + $readings), 'medium-car');

            return World::diagnosis($state, 'medium-car')->verdict();
        };
        self::assertContains($after(8)->reason, ['opening', 'best-split', 'first-look']);
        $end = $after(33);
        // what is left are the complaint's own looks, or the end
        self::assertContains($end->reason, ['opening', 'tried', 'not-shown', 'threshold', 'trial']);
    }

    /** @param array<string, mixed> $says */
    private function entry(int $seq, Kind $kind, array $says): Entry
    {
        $at = new \DateTimeImmutable("2026-03-01 08:00:00 +$seq minutes");

        return new Entry("e$seq", $seq, $kind->read($says), 'anna', $at);
    }

    /** A wrong repair costs 12000 beside itself: hose first leaves a quarter, 10887.5 + 0.25 · 12000. */
    public function testAComebackIsCounted(): void
    {
        $costs = Costs::of(ToyField::make(), World::settings(null, ['comeback_cents' => 12000]));
        self::assertEqualsWithDelta(13887.5, $costs->expected([0.75, 0.25]), 1e-6);
    }

    /** Consumables are taken from the net worth; opening costs 12 minutes of bleeding, once. */
    public function testConsumablesAndBleedingAreCounted(): void
    {
        $now = new Situation(new CarState(Lift::Ground, false, false, true), []);
        $score = static function (int $consumables) use ($now): float {
            $field = ToyField::make(consumables: $consumables);
            $planner = new Planner(
                Belief::of($field, Opening::first($field, Context::none(), 0.0), []),
                World::settings(),
            );

            return $planner->weigh($field->knowledge->checks->of('push'), Place::vehicle(), $now)->worth->score;
        };
        self::assertEqualsWithDelta(300.0, $score(0) - $score(300), 1e-6);

        $field = World::field('medium-car');
        $planner = new Planner(
            Belief::of($field, Opening::first($field, Context::none(), 0.15), []),
            World::settings(),
        );
        $top = CheckAt::parse('hose-top@lf');
        $minutes = static fn (bool $opened): float => $planner->weigh(
            $field->knowledge->checks->of($top),
            $top->place,
            new Situation(new CarState(Lift::WheelsOff, true, $opened, true), []),
        )->worth->minutes;
        self::assertEqualsWithDelta(12.0, $minutes(false) - $minutes(true), 1e-9);
    }

    /** @return list<Gate> */
    private function closedFor(string $check, Situation $now): array
    {
        $catalogue = World::catalogue();
        $at = CheckAt::parse($check);

        return $catalogue->gates->closedFor($catalogue->checks->of($at), $at->place, $now, $catalogue->checks);
    }

    private function road(Situation $now): Gate
    {
        return World::catalogue()->gates->road($now, World::catalogue()->checks);
    }
}
