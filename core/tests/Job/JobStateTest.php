<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Job;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Claim;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\ConfirmPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Proof\Criterion;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** A job's log from complaint to handover, and what the guard says on the way. */
final class JobStateTest extends TestCase
{
    /** @var list<Entry> */
    private array $log = [];
    private int $minute = 0;

    public function testAJobFromComplaintToHandover(): void
    {
        self::assertSame(Stage::Intake, $this->state()->stage);
        $this->pushedBack();
        self::assertSame(['caliper@lf' => 3.0], $this->state()->situation->car->apart);
        $this->write(Kind::Together, ['what' => 'caliper@lf'])
            ->read('bleeder-open@lf', ['' => 'spurts-frees'])
            ->read('hose-top@lf', ['' => 'stays-stuck']);
        self::assertSame(Stage::Bench, $this->state()->stage);
        self::assertSame('hose@lf', (string) $this->diagnosis()->verdict()->repair);

        $this->sign('hose@lf');
        self::assertSame(Stage::Repair, $this->state()->stage);
        $this->read('wear@lf', ['' => 'inner']);
        self::assertSame(Stage::Bench, $this->state()->stage, 'a reading after the signature unsigns the finding');
        $this->sign('hose@lf')->carryOut();
        self::assertSame(Stage::Bleed, $this->state()->stage);
        self::assertSame(1, $this->state()->story->now()->number);
        self::assertTrue($this->state()->situation->car->opened);

        $this->bleed();
        self::assertSame(Stage::Proof, $this->state()->stage);
        $this->prove();
        self::assertSame(
            [Criterion::PASSED],
            array_values(
                array_unique(
                    array_map(static fn (Criterion $c): string => $c->status, $this->state()->proof->criteria),
                ),
            ),
        );
        self::assertTrue($this->state()->mayHandOver());
        $this->write(Kind::Handover, []);
        self::assertSame(Stage::Done, $this->state()->stage);
    }

    public function testAFailedProofReturnsToTheBenchAsAReadingOfTheNewEpoch(): void
    {
        $this->pushedBack()->sign('hose@lf')->carryOut();
        $this->bleed();
        $before = $this->diagnosis()->belief->group('caliper@lf');
        $this->lift('raised')->read('spin-hard@vehicle', [
            'lf' => 'two-hands',
            'rf' => 'one-finger',
            'lr' => 'one-finger',
            'rr' => 'one-finger',
        ]);
        $state = $this->state();
        self::assertSame(Stage::Bench, $state->stage);
        self::assertSame('spin-hard', $state->proof->failed()?->id);
        self::assertGreaterThan(4.0 * $before, $this->diagnosis()->belief->group('caliper@lf'));
        self::assertLessThan(0.25, $this->diagnosis()->belief->group('hose@lf'), 'the new hose is nearly out of it');
    }

    /**
     * Bled clean and the pedal long all the same: a reading, and air beyond the modulator comes to mind more than
     * before the run.
     */
    public function testALongPedalAfterACleanRunIsAReading(): void
    {
        $this->pushedBack()->sign('hose@lf')->carryOut();
        $unbled = $this->diagnosis()->belief->group('bleed-cycled@vehicle');
        $this->bleed();
        self::assertGreaterThan($unbled, $this->diagnosis()->belief->group('bleed-cycled@vehicle'));
        $before = $this->diagnosis()->belief->group('bleed-cycled@vehicle');
        $this->lift('ground')->read('first-stroke@vehicle', ['' => 'long']);
        self::assertSame(Stage::Bench, $this->state()->stage);
        self::assertGreaterThan(2.0 * $before, $this->diagnosis()->belief->group('bleed-cycled@vehicle'));
        $groups = $this->diagnosis()->belief->groups;
        $named = array_filter(
            $groups,
            static fn (string $group): bool => \in_array(
                GroupAt::parse($group)->id,
                ['bleed', 'bleed-cycled', 'adjuster', 'caliper-swap', 'hose', 'push-rod', 'mount', 'bearing', 'drum',
                    'shoes', 'bolts'],
                true,
            ),
            \ARRAY_FILTER_USE_KEY,
        );
        self::assertGreaterThan(
            0.4 * (1.0 - $groups['none@vehicle']),
            array_sum($named),
            'air, a low bleeder, slack drums, a hose or a mount that gives, play: '
                .json_encode(\array_slice($groups, 0, 6)),
        );
    }

    public function testUndoIsAnEntryAndCanBeUndone(): void
    {
        $this->intake()->lift('raised')->spin('will-not-turn');
        $spin = end($this->log)->id;
        self::assertTrue($this->held());
        $this->write(Kind::Undo, ['cancels' => $spin]);
        self::assertFalse($this->held());
        self::assertCount(1, $this->state()->story->undone);
        $this->write(Kind::Undo, ['cancels' => end($this->log)->id]);
        self::assertTrue($this->held());
    }

    /** Entry by entry comes to what the whole log comes to: undos, rounds, late and sleeping entries among it. */
    public function testEntryByEntryComesToTheSameAsTheWholeLog(): void
    {
        $this->pushedBack()
            ->write(Kind::Together, ['what' => 'caliper@lf'])
            ->read('hose-top@lf', ['' => 'stays-stuck']);
        $this->write(Kind::Undo, ['cancels' => end($this->log)->id]);
        $this->write(Kind::Round, ['round' => 'wheel', 'answers' => [
            ['check' => 'wear@lf', 'outcomes' => ['' => 'inner']],
        ]]);
        $this->minute -= 3;
        $this->read('wear@lf', ['' => 'even'])->read('bleeder-open@lf', ['' => 'spurts-frees']);
        $this->minute += 3;
        $this->sign('hose@lf')->carryOut();
        $this->bleed();
        $this->prove();
        $this->write(Kind::Handover, []);
        $log = [];
        $half = intdiv(\count($this->log), 2);
        $state = World::state([]);
        foreach ($this->log as $n => $entry) {
            $claim = 0 === $n % 7 ? new Claim('elsewhere', []) : null;
            $log[] = $entry = new Entry(
                $entry->id,
                $entry->seq,
                $entry->payload,
                $entry->author,
                $entry->takenAt,
                $n > $half ? $claim : null,
            );
            $state = $state->with($entry);
            self::assertEquals(World::state($log), $state, $entry->id.' '.$entry->kind->value);
        }
        self::assertNotSame([], $state->story->asleep);
    }

    /** What cannot be measured here is asked for no more, nothing is concluded, and a gate that wants it stays shut. */
    public function testWhatCannotBeMeasuredHere(): void
    {
        $this->intake()->lift('raised');
        $before = $this->diagnosis()->belief->groups;
        $look = static fn (JobState $state): array => $state->situation->open(
            World::catalogue()->checks->of('look'),
            CheckAt::parse('look@vehicle'),
        );
        self::assertSame(['level', 'wet', 'lamp'], $look($this->state()));
        $this->write(Kind::Cannot, ['check' => 'look@vehicle', 'rows' => ['level'], 'reason' => 'reservoir hidden']);
        self::assertSame(['wet', 'lamp'], $look($this->state()));
        self::assertSame($before, $this->diagnosis()->belief->groups);
        $road = $this->state()->road()->unmet;
        $this->read('look@vehicle', ['wet' => 'good', 'lamp' => 'good']);
        self::assertSame([], $look($this->state()), 'nothing is left of it');
        self::assertNotContains('look@vehicle', $this->asked());
        self::assertNotSame([], array_filter(
            array_intersect($road, $this->state()->road()->unmet),
            static fn (string $one): bool => str_contains($one, 'level'),
        ), 'the level was never seen');
        $this->write(Kind::Cannot, ['check' => 'spin@vehicle', 'rows' => ['lf', 'rf', 'lr', 'rr']]);
        self::assertNotContains('spin@vehicle', $this->asked());
        $this->write(Kind::Undo, ['cancels' => end($this->log)->id]);
        self::assertContains('spin@vehicle', $this->asked());
        $this->expectException(InvalidData::class);
        $this->write(Kind::Cannot, ['check' => 'spin@vehicle', 'rows' => ['fifth']]);
    }

    /** @return list<string> the check to make next, and those beside it */
    private function asked(): array
    {
        $verdict = $this->diagnosis()->verdict();

        return array_map(
            static fn (Proposal $one): string => (string) $one->at,
            array_values(array_filter([$verdict->next, ...$verdict->others])),
        );
    }

    /** Play found while it was up keeps it off the road; fluid that tested wet keeps it from the stops that heat it. */
    public function testWhatWasFoundLooseOrWetKeepsItOffTheRoad(): void
    {
        $this->intake()->lift('raised')->spin('one-finger');
        $sound = ['lf' => 'sound', 'rf' => 'sound', 'lr' => 'sound', 'rr' => 'sound'];
        $loose = fn (): array => array_values(
            preg_grep('/^(bearing|joints)-tight/', $this->state()->road()->unmet) ?: [],
        );
        self::assertSame([], $loose(), 'what nobody looked at is no reason');
        $this->read('bearing@vehicle', $sound);
        self::assertSame([], $loose());
        $this->write(Kind::Undo, ['cancels' => end($this->log)->id])
            ->read('bearing@vehicle', ['rf' => 'play-or-rough'] + $sound)
            ->read('steering-look@vehicle', ['' => 'play']);
        self::assertSame(['bearing-tight-rf', 'joints-tight'], $loose());
        $before = fn (string $check): array => array_merge(...array_map(
            static fn (Gate $gate): array => $gate->unmet,
            World::catalogue()->gates->closedFor(
                World::catalogue()->checks->of($check),
                Place::vehicle(),
                $this->state()->situation,
                World::catalogue()->checks,
            ),
        ));
        $this->write(Kind::Lift, ['to' => 'ground', 'stands' => false]);
        self::assertNotContains('fluid-dry', $before('brake-loop'));
        $this->read('fluid-test@vehicle', ['water' => 'wet']);
        self::assertContains('fluid-dry', $before('brake-loop'));
        self::assertNotContains('fluid-dry', $before('heat-loop'), 'a loop without hard stops heats no fluid');
        self::assertNotContains('seals-right', $this->state()->road()->unmet);
        $this->read('fluid-test@vehicle', ['seal' => 'swollen']);
        self::assertContains('seals-right', $this->state()->road()->unmet);
    }

    public function testAScaldingWheelWaits(): void
    {
        $this->write(Kind::Intake, ['complaint' => 'drags-lf', 'driven_in' => true]);
        $heat = static fn (float $k): array => ['typed' => (string) ($k + 10.0), 'unit' => '°C', 'core' => $k];
        $this->write(Kind::Reading, [
            'check' => 'heat-arrival@vehicle',
            'numbers' => ['lf' => $heat(250.0), 'rf' => $heat(110.0), 'lr' => $heat(60.0), 'rr' => $heat(60.0)],
        ]);
        self::assertFalse($this->state()->situation->car->cool);
        self::assertContains('cool', $this->state()->road()->unmet);
        $this->write(Kind::Cool, []);
        self::assertTrue($this->state()->situation->car->cool);
    }

    /** The first format of a job knew one complaint; where several stand the old key says nothing. */
    public function testAnOldIntakeComesIn(): void
    {
        $said = static function (array $payload): array {
            $read = Kind::Intake->read($payload);
            self::assertInstanceOf(IntakePayload::class, $read);

            return $read->complaints;
        };
        self::assertSame(['drags-lf'], $said(['complaint' => 'drags-lf']));
        self::assertSame(['weak', 'lamp'], $said(['complaints' => ['weak', 'lamp'], 'complaint' => 'drags-lf']));
        self::assertSame(['weak'], $said(['complaints' => ['weak']]));
        self::assertSame([], $said(['complaints' => []]));
    }

    /** A wheel of 60 K is one to lay a hand on, and nine bar at a gauge are no heat. */
    public function testOnlyAHotWheelScalds(): void
    {
        $number = static fn (float $core): array => ['typed' => (string) $core, 'unit' => '', 'core' => $core];
        $this->write(Kind::Intake, ['complaint' => 'drags-lf', 'driven_in' => true])->write(Kind::Reading, [
            'check' => 'heat-arrival@vehicle',
            'numbers' => array_map($number, ['lf' => 60.0, 'rf' => 20.0, 'lr' => 15.0, 'rr' => 15.0]),
        ]);
        self::assertTrue($this->state()->situation->car->cool);
        $this->lift('wheels-off')->write(Kind::Reading, [
            'check' => 'gauge@lf',
            'numbers' => ['held' => $number(900.0)],
        ]);
        self::assertTrue($this->state()->situation->car->cool);
    }

    public function testStateFollowsFromEntriesAndStandsFallWithTheVehicle(): void
    {
        $this->intake()->lift('wheels-off');
        self::assertSame(
            [Lift::WheelsOff, true],
            [$this->state()->situation->car->lift, $this->state()->situation->car->stands],
        );
        $this->write(Kind::Lift, ['to' => 'ground', 'stands' => false]);
        self::assertSame(
            [Lift::Ground, false],
            [$this->state()->situation->car->lift, $this->state()->situation->car->stands],
        );
    }

    public function testAJointOpenedForAReadingClosesTheRoadAndBringsAirIntoPlay(): void
    {
        $this->intake()->lift('wheels-off')->spin('will-not-turn');
        $before = $this->state();
        $this->read('hose-top@lf', ['' => 'stays-stuck']);
        $after = $this->state();
        $belief = $this->diagnosis()->belief;
        self::assertFalse($before->situation->car->opened);
        self::assertTrue($after->situation->car->opened);
        self::assertContains('closed-and-proved', $after->road()->unmet);
        self::assertGreaterThan(3.0 * $belief->suspects['air.wheel@rf'], $belief->suspects['air.wheel@lf']);
    }

    /** @param array<string, mixed> $payload */
    #[DataProvider('provideRefused')]
    public function testTheGuardRefuses(string $given, Kind $kind, array $payload, string $reason): void
    {
        match ($given) {
            'intake' => $this->intake(),
            'raised' => $this->intake()->lift('wheels-off'),
            'signed' => $this->intake()->lift('wheels-off')->spin('will-not-turn')->sign('hose@lf'),
            default => null,
        };
        $payload = array_map(fn (mixed $value): mixed => '{last}' === $value ? end($this->log)->id : $value, $payload);
        try {
            Rule::check($this->state(), $this->entry($kind, $payload));
            self::fail('It was let through.');
        } catch (Refused $refused) {
            self::assertContains($reason, $refused->reasons);
        }
    }

    /** @return iterable<string, array{string, Kind, array<string, mixed>, string}> */
    public static function provideRefused(): iterable
    {
        yield 'a wheel spun on the ground' => [
            'intake',
            Kind::Reading,
            ['check' => 'spin@vehicle', 'outcomes' => ['lf' => 'one-finger']],
            'raise',
        ];
        yield 'a joint opened on a wheel not proved stuck' => [
            'raised',
            Kind::Reading,
            ['check' => 'hose-top@lf', 'outcomes' => ['' => 'frees']],
            'spin-first',
        ];
        yield 'temperatures of a vehicle that stood' => [
            'intake',
            Kind::Reading,
            ['check' => 'heat-arrival@vehicle', 'numbers' => ['lf' => ['core' => 60.0]]],
            'driven-in',
        ];
        yield 'a loop before it is proved safe' => [
            'intake',
            Kind::Reading,
            ['check' => 'heat-loop@vehicle', 'numbers' => ['lf' => ['core' => 60.0]]],
            'pedal-high',
        ];
        yield 'the road before it is proved safe' => [
            'intake',
            Kind::Reading,
            ['check' => 'complaint-again@vehicle', 'outcomes' => ['' => 'gone']],
            'level',
        ];
        yield 'a step without its figure' => [
            'signed',
            Kind::Step,
            ['sheet' => '{last}', 'step' => 'banjo'],
            'figure-first',
        ];
        yield 'opening before everything lies ready' => [
            'signed',
            Kind::Step,
            ['sheet' => '{last}', 'step' => 'open-top'],
            'prepare-first',
        ];
        yield 'a repair finished with steps open' => [
            'signed',
            Kind::Repaired,
            ['group' => 'hose@lf', 'sheet' => '{last}'],
            'steps-first',
        ];
        yield 'a handover without proof' => ['signed', Kind::Handover, [], 'proof-first'];
        yield 'bleeding before a repair' => ['signed', Kind::Bled, [], 'repair-first'];
        yield 'taking back what is not there' => ['intake', Kind::Undo, ['cancels' => 'nobody'], 'nothing-to-undo'];
        yield 'a waiver without a reason' => [
            'intake',
            Kind::Waive,
            ['criterion' => 'dry', 'reason' => ' '],
            'reason-first',
        ];
    }

    public function testASecondLookIsSomebodyElsesOrTenMinutesLater(): void
    {
        $this->intake()->lift('wheels-off')->spin('will-not-turn')->sign('hose@lf');
        $sheet = end($this->log)->id;
        $this->write(Kind::Step, [
            'sheet' => $sheet,
            'step' => 'banjo',
            'figure' => ['typed' => '24', 'unit' => 'N·m', 'core' => 24.0],
        ]);
        $step = end($this->log);
        $confirm = static fn (string $author, int $seconds): Entry => new Entry(
            'c',
            99,
            new ConfirmPayload($step->id),
            $author,
            $step->takenAt->modify("+$seconds seconds"),
        );
        Rule::check($this->state(), $confirm('other', 5));
        Rule::check($this->state(), $confirm('anna', 600));
        $this->expectException(Refused::class);
        Rule::check($this->state(), $confirm('anna', 599));
    }

    public function testALookStandsForTheStepItWasGivenTo(): void
    {
        $this->intake()->lift('wheels-off')->spin('will-not-turn')->sign('hose@lf');
        $sheet = end($this->log)->id;
        $steps = [];
        foreach (['24', '25'] as $typed) {
            $figure = ['typed' => $typed, 'unit' => 'N·m', 'core' => (float) $typed];
            $this->write(Kind::Step, ['sheet' => $sheet, 'step' => 'banjo', 'figure' => $figure]);
            $steps[] = end($this->log);
        }
        $this->minute += 10;
        $this->write(Kind::Confirm, ['step' => $steps[1]->id]);
        $story = $this->state()->story;
        self::assertSame([false, true], array_map($story->stepConfirmed(...), $steps));
    }

    /** What a proof wants is open until it is read, failed by a wrong word, and settled by a reason where it may be. */
    public function testAWaiverSettlesWhatIsNotProved(): void
    {
        $this->repaired();
        $status = fn (): array => array_map(
            fn (string $id): ?string => $this->state()->proof->criterion($id)?->status,
            ['parking-hold', 'firm-hold'],
        );
        self::assertSame([Criterion::OPEN, Criterion::OPEN], $status());
        $this->write(Kind::Waive, ['criterion' => 'parking-hold', 'reason' => 'no slope here']);
        self::assertSame([Criterion::WAIVED, Criterion::OPEN], $status());
        self::assertSame('no slope here', $this->state()->proof->criterion('parking-hold')?->reason);
    }

    public function testASafetyItemBarsTheHandover(): void
    {
        $this->pushedBack()->sign('hose@lf')->carryOut();
        $this->write(Kind::Bled, [])->write(Kind::Item, ['text' => 'line plug', 'due' => '', 'safety' => true]);
        $item = end($this->log)->id;
        try {
            $this->prove();
            self::fail('The road was open with a plug in the line.');
        } catch (Refused $refused) {
            self::assertSame(['closed-and-proved'], $refused->reasons);
        }
        $this->write(Kind::Settled, ['item' => $item]);
        $this->prove();
        self::assertTrue($this->state()->mayHandOver());
    }

    public function testAReadingTakenBackTakesTheFindingWithIt(): void
    {
        $this->pushedBack();
        $rests = end($this->log)->id;
        $this->write(Kind::Finding, [
            'group' => 'hose@lf',
            'sentence' => 'it is',
            'mass' => 0.9,
            'readings' => [$rests],
        ]);
        self::assertSame(Stage::Repair, $this->state()->stage);
        $this->write(Kind::Undo, ['cancels' => $rests]);
        self::assertNull($this->state()->story->finding());
        self::assertSame(Stage::Bench, $this->state()->stage);
    }

    public function testASinkingPedalFailsTheProof(): void
    {
        $this->repaired();
        $this->write(Kind::Reading, [
            'check' => 'pedal@vehicle',
            'outcomes' => ['sink' => 'sinks'],
            'numbers' => ['travel' => ['typed' => '68', 'unit' => 'mm', 'core' => 68.0]],
            'unsure' => false,
        ]);
        self::assertSame('firm-hold', $this->state()->proof->failed()?->id);
    }

    public function testARaisedVehicleIsNotHandedOver(): void
    {
        $this->repaired();
        $this->prove();
        $this->lift('raised');
        try {
            Rule::check($this->state(), $this->entry(Kind::Handover, []));
            self::fail('It was handed over in the air.');
        } catch (Refused $refused) {
            self::assertContains('on-ground', $refused->reasons);
        }
    }

    /** The loop with stops before the repair and again after it: a wheel that stays cool does not brake. */
    public function testAWheelThatStaysCoolOnTheSameLoopFailsTheProof(): void
    {
        $sound = World::sound('medium-car');
        $loop = static fn (float $leftFront): array => [
            'check' => 'brake-loop@vehicle',
            'unsure' => false,
            'numbers' => array_combine(
                ['lf', 'rf', 'lr', 'rr'],
                array_map(
                    static fn (string $corner, float $share): array => [
                        'typed' => '0',
                        'unit' => '°C',
                        'core' => $share * $sound->median(CheckAt::parse('brake-loop@vehicle'), $corner),
                    ],
                    ['lf', 'rf', 'lr', 'rr'],
                    [$leftFront, 1.0, 1.0, 1.0],
                ),
            ),
        ];
        foreach ([[1.0, Criterion::PASSED], [0.2, Criterion::FAILED]] as [$share, $status]) {
            $this->log = [];
            $this->intake();
            $this->log[] = $this->entry(Kind::Reading, $loop(3.0));
            $this->write(Kind::Cool, [])->lift('wheels-off')->spin('will-not-turn')->sign('hose@lf')->carryOut();
            $this->bleed();
            $this->prove();
            $this->log[] = $this->entry(Kind::Reading, $loop($share));
            $heat = array_values(
                array_filter($this->state()->proof->criteria, static fn (Criterion $c): bool => 'heat' === $c->id),
            );
            self::assertSame($status, $heat[0]->status);
        }
    }

    /** Weeks of standing make rust twenty times as likely against everything else: odds times twenty. */
    public function testAVehicleThatStoodIsSuspectedOfRust(): void
    {
        $odds = function (bool $stood): float {
            $this->log = [];
            $this->write(Kind::Intake, ['complaint' => 'drags-lf', 'stood' => $stood]);
            $belief = $this->diagnosis()->belief;
            $rust = $others = 0.0;
            foreach ($belief->field->particles as $i => $particle) {
                $stuck = str_starts_with((string) $particle->suspect, 'rust.stuck@');
                $rust += $stuck ? $belief->opening->weights[$i] : 0.0;
                $others += $stuck ? 0.0 : $belief->opening->weights[$i];
            }

            return $rust / $others;
        };
        self::assertEqualsWithDelta(20.0, $odds(true) / $odds(false), 0.1);
    }

    /** A tool of 24 N·m fits a banjo and no wheel nut. */
    public function testAWheelNutAtTheTorqueOfABanjoPassesNoProof(): void
    {
        $this->pushedBack()->sign('hose@lf');
        $sheet = end($this->log)->id;
        $figure = static fn (float $nm): array => ['figure' => ['typed' => "$nm", 'unit' => 'N·m', 'core' => $nm]];
        try {
            $nuts = $this->entry(Kind::Step, ['sheet' => $sheet, 'step' => 'wheel'] + $figure(110.0));
            Rule::check($this->state(), $nuts);
            self::fail('Wheel nuts came before the rest.');
        } catch (Refused $refused) {
            self::assertSame(['rest-first'], $refused->reasons);
        }
        $this->carryOut();
        $torque = fn (): ?string => $this->state()->proof->criterion('torque')?->status;
        self::assertSame(Criterion::PASSED, $torque());
        $this->write(Kind::Step, ['sheet' => $sheet, 'step' => 'wheel'] + $figure(24.0));
        self::assertSame(Criterion::OPEN, $torque());
        $step = end($this->log)->id;
        $this->write(Kind::Figures, ['torques' => ['wheel' => $figure(24.0)['figure']]]);
        self::assertSame(Criterion::OPEN, $torque(), 'typed, and nobody else stands for it');
        $looks = function (string $id, string $at, string $who): void {
            $now = new \DateTimeImmutable('2026-03-01 12:00:00');
            $this->log[] = new Entry($id, \count($this->log) + 1, new ConfirmPayload($at), $who, $now);
        };
        $looks('own', $step, 'anna');
        self::assertSame(Criterion::OPEN, $torque(), 'who tightened it stands for it');
        $banjo = $this->state()->story->stepDone($sheet, 'banjo');
        self::assertNotNull($banjo);
        $looks('other', $banjo->id, 'ben');
        self::assertSame(Criterion::OPEN, $torque(), 'somebody else stands for another step');
        $looks('seen', $step, 'ben');
        self::assertSame(Criterion::PASSED, $torque());
    }

    /**
     * A hose with the caliper behind it and the other side's hose, in one visit: one sheet, closed with all three, bled
     * at both wheels, and all three are nearly out of what is suspected next.
     */
    public function testOneVisitChangesSeveralParts(): void
    {
        $line = fn (string $group, bool $in = true): self => $this->write(Kind::Line, [
            'group' => $group,
            'in' => $in,
            'why' => 'with',
        ]);
        $this->intake();
        $this->assertRefused(['finding-first'], Kind::Line, ['group' => 'caliper@lf', 'in' => true, 'why' => 'with']);
        $this->pushedBack()->sign('hose@lf');
        $before = $this->diagnosis()->belief->group('caliper@lf');
        $this->assertRefused(['line-is-finding'], Kind::Line, ['group' => 'hose@lf', 'in' => false, 'why' => 'with']);
        $line('caliper@lf');
        $line('hose@rf');
        $line('rotor@front');
        $line('rotor@front', false);
        self::assertSame(['hose@lf', 'caliper@lf', 'hose@rf'], array_map(strval(...), $this->state()->sheet()->groups
            ?? []));
        $sheet = (string) $this->state()->story->finding()?->id;
        $closing = ['group' => 'hose@lf', 'sheet' => $sheet];
        $this->assertRefused(['lines-differ'], Kind::Repaired, $closing);
        $this->assertRefused(['steps-first'], Kind::Repaired, $closing + ['also' => ['caliper@lf', 'hose@rf']]);
        foreach ($this->state()->sheet()->prepare ?? [] as $item) {
            $this->write(Kind::Prepared, ['item' => $item['id']]);
        }
        $this->write(Kind::Step, ['sheet' => $sheet, 'step' => 'open-top@rf']);
        $this->assertRefused(['line-opened'], Kind::Line, ['group' => 'hose@rf', 'in' => false, 'why' => 'side']);
        $line('caliper@lf', false);
        $line('caliper@lf');
        self::assertNotNull($this->state()->story->stepDone($sheet, 'open-top@rf'), 'a tick stays');

        $this->carryOut();
        self::assertSame(Stage::Bleed, $this->state()->stage);
        self::assertCount(3, $this->state()->changed());
        $opened = BleedPlan::opened(World::catalogue()->repairs, $this->state()->changed());
        // farthest first: the right front is farther from a master on the left
        self::assertSame(
            [Corner::RightFront, Corner::LeftFront],
            BleedPlan::of(World::layout(), $opened)->order,
        );
        self::assertLessThan(0.1 * max($before, 0.01), $this->diagnosis()->belief->group('caliper@lf'));
        $this->bleed();
        self::assertSame(Stage::Proof, $this->state()->stage);
    }

    /** Nothing is bled while a joint of the sheet is open, by whatever way somebody comes to the bleed run. */
    public function testNothingIsBledWhileAJointIsOpen(): void
    {
        $bleed = ['corner' => 'lf', 'bleeder' => '', 'strokes' => 9, 'unit' => 'strokes', 'bubbles' => 'few'];
        $setup = ['method' => 'pedal', 'plate' => 'glycol', 'fluid' => 'glycol', 'purpose' => 'opened'];
        $this->pushedBack()->sign('hose@lf');
        $sheet = (string) $this->state()->story->finding()?->id;
        foreach ($this->state()->sheet()->prepare ?? [] as $item) {
            $this->write(Kind::Prepared, ['item' => $item['id']]);
        }
        $this->write(Kind::Step, ['sheet' => $sheet, 'step' => 'open-top']);
        $this->assertRefused(['joint-open'], Kind::BleedSetup, $setup);
        $this->assertRefused(['joint-open'], Kind::Bleed, $bleed);
        $this->carryOut();
        $this->write(Kind::BleedSetup, $setup);
        $this->write(Kind::Bleed, $bleed + ['method' => 'vacuum', 'minutes' => 4]);
        $this->expectExceptionMessage('never more than 200 kPa');
        Rule::check($this->state(), $this->entry(Kind::Bleed, $bleed + ['method' => 'pressure', 'kpa' => 250]));
    }

    /** The finding's own part can be chosen and not taken out; a rebuild brings its steps, and they are required. */
    public function testThePartThatIsChosen(): void
    {
        $this->pushedBack()->sign('caliper@lf');
        $choice = ['group' => 'caliper@lf', 'in' => true, 'why' => 'finding'];
        self::assertNull($this->state()->sheet()?->find('rebuild-bench'));
        $this->write(Kind::Line, $choice + ['part' => 'rebuild']);
        self::assertNotNull($this->state()->sheet()?->find('rebuild-bench'));
        self::assertSame([], $this->state()->story->lines(), 'it is no line of its own');
        $this->assertRefused(['line-is-finding'], Kind::Line, ['in' => false] + $choice);
        $this->write(Kind::Line, $choice + ['part' => 'new']);
        self::assertNull($this->state()->sheet()?->find('rebuild-bench'));
        $this->expectExceptionMessage('"caliper@lf" can be had as: new, exchange, rebuild, used');
        Rule::check($this->state(), $this->entry(Kind::Line, $choice + ['part' => 'borrowed']));
    }

    /** What is put off keeps its reason and its day, over epochs, until it is put in or done. */
    public function testALineThatIsPutOff(): void
    {
        $line = ['group' => 'rotor@front', 'in' => false, 'why' => 'with'];
        $off = $line + ['reason' => 'next month', 'until' => '2026-12-24'];
        $named = fn (): array => array_map(
            static fn (LinePayload $line): string => $line->group.': '.$line->reason,
            $this->state()->story->putOff(),
        );
        $this->pushedBack()->sign('hose@lf')->write(Kind::Line, $off);
        self::assertSame(['rotor@front: next month'], $named());
        self::assertCount(1, $this->state()->sheet()->groups ?? []);
        $this->carryOut();
        self::assertSame(['rotor@front: next month'], $named(), 'it is not forgotten with the repair');
        $this->read('wear@lf', ['' => 'inner'])->sign('pads@front')->write(Kind::Line, ['in' => true] + $line);
        self::assertSame([], $named());
        $this->expectExceptionMessage('a day is expected');
        Rule::check($this->state(), $this->entry(Kind::Line, ['until' => 'soon'] + $off));
    }

    /** A makeshift is no new part: it is told where it is, and excuses nothing. */
    public function testAMakeshiftIsNoNewPart(): void
    {
        $intake = Kind::Intake->read(['complaints' => ['drags-lf'], 'parts' => [
            ['part' => 'pipe', 'place' => 'lf', 'weeks' => 9, 'makeshift' => 'compression joint'],
            ['part' => 'pads', 'place' => 'lf', 'weeks' => 3],
        ]]);
        self::assertInstanceOf(IntakePayload::class, $intake);
        self::assertSame(['pads@lf'], array_map(static fn ($one): string => (string) $one->part, $intake->fitted()));
        self::assertSame('compression joint', $intake->makeshifts()[0]->makeshift);
        self::assertEquals($intake, Kind::Intake->read($intake->write()));
    }

    /** What is met at a step is one of its surprises, or said in words; the step stays to be done. */
    public function testSomethingUnexpected(): void
    {
        $this->pushedBack()->sign('hose@lf');
        $met = ['sheet' => (string) $this->state()->story->finding()?->id, 'step' => 'open-top'];
        $this->write(Kind::Surprise, $met + ['surprise' => 'nut-rounded']);
        self::assertNull($this->state()->story->stepDone($met['sheet'], 'open-top'));
        self::assertSame(Stage::Repair, $this->state()->stage);
        $wrong = ['drum-edge' => 'at this step one of nut-rounded', 'other' => 'in words'];
        foreach ($wrong as $surprise => $said) {
            try {
                Rule::check($this->state(), $this->entry(Kind::Surprise, $met + ['surprise' => $surprise]));
                self::fail($surprise);
            } catch (InvalidData $refused) {
                self::assertStringContainsString($said, $refused->getMessage());
            }
        }
    }

    /** Pressure let go before a joint is opened says nothing about the cause: what was signed stays signed. */
    public function testWhatMustBeDoneFirstLetsTheSignatureStand(): void
    {
        $this->pushedBack()->sign('hose@lf');
        $this->log[] = $this->entry(Kind::Reading, [
            'check' => 'discharge@vehicle',
            'outcomes' => ['' => World::catalogue()->checks->of('discharge')->firstRow()->observer->words()[0]],
        ]);
        self::assertSame(Stage::Repair, $this->state()->stage);
        $this->log[] = $this->entry(Kind::Reading, ['check' => 'wear@lf', 'outcomes' => ['' => 'inner']]);
        self::assertSame(Stage::Bench, $this->state()->stage);
    }

    /** A comparison may be left out with its reason; what is torqued, counted, opened or closed may not. */
    public function testAStepThatIsNotNeeded(): void
    {
        $this->pushedBack()->sign('hose@lf');
        $sheet = end($this->log)->id;
        $left = static fn (string $step, string $note): array => [
            'sheet' => $sheet,
            'step' => $step,
            'how' => 'not-needed',
            'note' => $note,
        ];
        foreach (['banjo', 'plug', 'open-bottom', 'full-lock'] as $step) {
            $this->assertRefused(['step-as-written'], Kind::Step, $left($step, 'no time'));
        }
        $this->write(Kind::Step, $left('penetrant', 'nut new last year'));
        self::assertSame('nut new last year', $this->state()->story->stepDone($sheet, 'penetrant')?->payload->note);
        $this->expectExceptionMessage('why it was not needed');
        Rule::check($this->state(), $this->entry(Kind::Step, $left('compare', ' ')));
    }

    /** Nobody presses the pedal while the drum is off, and what was opened is proved standing before the road. */
    public function testNoPressWithADrumOff(): void
    {
        $this->intake()->lift('wheels-off')->read('drum-look@rr', ['boots' => 'dry']);
        try {
            Rule::check($this->state(), $this->entry(Kind::Reading, [
                'check' => 'spin@vehicle',
                'outcomes' => ['lf' => 'one-finger'],
            ]));
            self::fail('The pedal was pressed with a drum off.');
        } catch (Refused $refused) {
            self::assertSame(['together'], $refused->reasons);
        }
        $this->write(Kind::Together, ['what' => 'drum@rr'])->spin('one-finger');
        self::assertSame([], $this->state()->situation->car->apart);
    }

    public function testAnEasedBleederClosesTheRoadUntilTheStandingProof(): void
    {
        $this->pushedBack()->write(Kind::Together, ['what' => 'caliper@lf'])->read('pedal@vehicle', ['feel' => 'firm']);
        self::assertTrue($this->state()->situation->car->opened, 'a firm pedal shows no tight nuts');
    }

    public function testBleedingIsNoFindingBeforeLevelAndWetAreSeen(): void
    {
        $this->intake()->lift('ground')->read('pump@vehicle', ['third' => 'comes-up']);
        try {
            $this->sign('bleed@vehicle');
            self::fail('Signed unseen.');
        } catch (Refused $refused) {
            self::assertSame(['look-first'], $refused->reasons);
        }
        $this->read('look@vehicle', ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'])->sign('bleed@vehicle');
        self::assertSame(Stage::Repair, $this->state()->stage);
    }

    public function testNobodyPumpsPastAnEmptyChamber(): void
    {
        $this->intake()->read('look@vehicle', ['level' => 'empty']);
        $presses = ['pump@vehicle' => ['third' => 'comes-up'], 'pedal@vehicle' => ['sink' => 'none']];
        foreach ($presses as $check => $word) {
            try {
                Rule::check($this->state(), $this->entry(Kind::Reading, ['check' => $check, 'outcomes' => $word]));
                self::fail("$check was let through.");
            } catch (Refused $refused) {
                self::assertSame(['not-empty'], $refused->reasons);
            }
        }
    }

    private function pushedBack(): self
    {
        return $this->intake()
            ->lift('wheels-off')
            ->spin('will-not-turn')
            ->read('push-back@lf', ['' => 'hard-shut-easy-open']);
    }

    private function bleed(): self
    {
        return $this->write(Kind::Bleed, ['corner' => 'lf', 'strokes' => 12, 'bubbles' => 'none', 'clear' => 4])
            ->write(Kind::Bled, []);
    }

    private function repaired(): void
    {
        $this->intake()->lift('wheels-off')->spin('will-not-turn')->sign('hose@lf')->carryOut();
        $this->bleed();
    }

    private function intake(): self
    {
        return $this->write(Kind::Intake, [
            'complaint' => 'drags-lf',
            'pattern' => 'warm',
            'hot' => false,
            'parts' => [],
            'note' => '',
        ]);
    }

    private function lift(string $to): self
    {
        return $this->write(Kind::Lift, ['to' => $to, 'stands' => true]);
    }

    private function spin(string $leftFront): self
    {
        return $this->read('spin@vehicle', [
            'lf' => $leftFront,
            'rf' => 'one-finger',
            'lr' => 'one-finger',
            'rr' => 'one-finger',
        ]);
    }

    /** @param array<string, string> $outcomes */
    private function read(string $check, array $outcomes): self
    {
        return $this->write(Kind::Reading, ['check' => $check, 'outcomes' => $outcomes, 'unsure' => false]);
    }

    /**
     * @param list<string> $reasons
     * @param array<string, mixed> $payload
     */
    private function assertRefused(array $reasons, Kind $kind, array $payload): void
    {
        try {
            Rule::check($this->state(), $this->entry($kind, $payload));
            self::fail('It was taken: '.json_encode($payload));
        } catch (Refused $refused) {
            self::assertSame($reasons, $refused->reasons);
        }
    }

    private function sign(string $group): self
    {
        return $this->write(Kind::Finding, ['group' => $group, 'sentence' => 'it is', 'mass' => 0.9, 'readings' => []]);
    }

    /** Everything on the sheet, with its second looks. */
    private function carryOut(): self
    {
        $finding = $this->state()->story->finding();
        $sheet = $this->state()->sheet();
        self::assertNotNull($finding);
        self::assertNotNull($sheet);
        foreach ($sheet->prepare as $item) {
            $this->write(Kind::Prepared, ['item' => $item['id']]);
        }
        foreach ($sheet->steps as $line) {
            $core = null === $line->step->figure ? 0.0 : array_sum($line->step->figure->typical) / 2.0;
            $typed = ['typed' => "$core", 'unit' => 'N·m', 'core' => $core];
            $figure = null === $line->step->figure ? [] : ['figure' => $typed];
            foreach ($line->written() as $name) {
                $this->write(Kind::Step, ['sheet' => $finding->id, 'step' => $name] + $figure);
                if (true === $line->step->figure?->holdPoint) {
                    $this->minute += 10;
                    $this->write(Kind::Confirm, ['step' => end($this->log)->id]);
                }
            }
        }

        return $this->write(Kind::Repaired, [
            'group' => (string) $finding->payload->group,
            'sheet' => $finding->id,
            'also' => array_map(strval(...), \array_slice($sheet->groups, 1)),
        ]);
    }

    private function prove(): void
    {
        $best = ['lf' => 'one-finger', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'];
        $this->lift('raised')
            ->read('spin-hard@vehicle', $best)
            ->read('look@vehicle', ['level' => 'good', 'wet' => 'good', 'lamp' => 'good']);
        $this->write(Kind::Reading, [
            'check' => 'pedal@vehicle',
            'outcomes' => ['sink' => 'none', 'feel' => 'firm'],
            'numbers' => ['travel' => ['typed' => '68', 'unit' => 'mm', 'core' => 68.0]],
            'unsure' => false,
        ]);
        $this->write(Kind::Reading, [
            'check' => 'first-stroke@vehicle',
            'numbers' => ['' => ['typed' => '69', 'unit' => 'mm', 'core' => 69.0]],
            'unsure' => false,
        ]);
        self::assertContains('on-ground', $this->state()->road()->unmet);
        $this->write(Kind::Lift, ['to' => 'ground', 'stands' => false])
            ->read('complaint-again@vehicle', ['' => 'gone'])
            ->read('dry-again@vehicle', ['' => 'dry'])
            ->read('parking-hold@vehicle', ['' => 'holds-and-frees']);
        $this->lift('raised')
            ->read('spin-hot@vehicle', $best)
            ->write(Kind::Lift, ['to' => 'ground', 'stands' => false]);
    }

    /** @param array<string, mixed> $payload */
    private function write(Kind $kind, array $payload): self
    {
        $entry = $this->entry($kind, $payload);
        Rule::check($this->state(), $entry);
        $this->log[] = $entry;
        ++$this->minute;

        return $this;
    }

    /** @param array<string, mixed> $payload */
    private function entry(Kind $kind, array $payload): Entry
    {
        $seq = \count($this->log) + 1;

        return new Entry(
            "e$seq",
            $seq,
            $kind->read($payload),
            'anna',
            new \DateTimeImmutable('2026-03-01 08:00:00 +'.$this->minute.' minutes'),
        );
    }

    private function diagnosis(): Diagnosis
    {
        return World::diagnosis($this->state());
    }

    private function held(): bool
    {
        return [] !== $this->state()->situation->held(World::catalogue()->checks);
    }

    private function state(): JobState
    {
        return World::state($this->log);
    }
}
