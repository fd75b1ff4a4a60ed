<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Job;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Evidence;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\SharedCause;
use Rodrel\Core\Isolation\Standing;
use Rodrel\Core\Isolation\Stop;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Tests\Isolation\ToyField;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;

/** A round is one entry that stands for its readings, and one act. */
final class RoundTest extends TestCase
{
    private const SPUN = ['lf' => 'two-hands', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'];
    private const LOOK = ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'];

    /** Every row answered by name: the belief is that of the same readings one by one, and it is one act. */
    public function testARoundIsItsReadingsAndOneAct(): void
    {
        $spin = ['check' => 'spin@vehicle', 'outcomes' => self::SPUN];
        $hose = ['check' => 'hose-look@lf', 'outcomes' => ['' => 'sound']];
        $pipe = ['check' => 'pipe-look@vehicle', 'outcomes' => ['' => 'sound']];
        $before = [
            [Kind::Intake, ['complaints' => ['drags-lf']]],
            [Kind::Lift, ['to' => 'raised', 'stands' => true]],
            [Kind::Reading, $spin],
        ];
        $single = self::log([...$before, [Kind::Reading, $hose], [Kind::Reading, $pipe]]);
        $round = self::log([...$before, [Kind::Round, ['round' => 'under', 'answers' => [$hose, $pipe]]]]);
        $one = World::diagnosis(World::state($single));
        $other = World::diagnosis(World::state($round));
        self::assertEqualsWithDelta($one->belief->groups, $other->belief->groups, 1e-9);
        $acts = static fn (array $log): int => (new Standing(
            World::diagnosis(World::state($log))->belief,
            World::state($log)->situation,
            World::settings(),
        ))->acts();
        self::assertSame([3, 2], [$acts($single), $acts($round)]);
        self::assertSame(
            ['spin@vehicle' => 'e3', 'hose-look@lf' => 'e4#1', 'pipe-look@vehicle' => 'e4#2'],
            array_diff_key(
                array_column(array_map(
                    static fn (Reading $one): array => [(string) $one->check, $one->id],
                    World::state($round)->situation->readings,
                ), 1, 0),
                ['complaint@vehicle' => ''],
            ),
        );
        $undone = [...$round, ...self::log([[Kind::Undo, ['cancels' => 'e4', 'reason' => '']]], 5)];
        self::assertEqualsWithDelta(
            World::diagnosis(World::state(self::log($before)))->belief->groups,
            World::diagnosis(World::state($undone))->belief->groups,
            1e-9,
        );
        self::assertSame(['e4', 'e4#1', 'e4#2'], array_column(Story::of($undone)->undone, 'id'));
    }

    /**
     * Two looks covered by one tap: nine times in ten both were looked at, else both say good whatever is there. Hose:
     * 0.9 · 0.9 · 0.5 + 0.1 = 0.505; caliper: 0.9 · 0.1 · 0.4 + 0.1 = 0.136.
     */
    public function testOneTapSharesItsCarelessness(): void
    {
        $field = ToyField::make();
        $opening = Opening::first($field, Context::none(), 0.0);
        $rows = [];
        foreach (['push', 'look'] as $n => $check) {
            $reading = new Reading(
                'e1#'.($n + 1),
                CheckAt::of($check, 'vehicle'),
                ['' => 'yes'],
                false,
                new \DateTimeImmutable('2026-03-01'),
                [],
                new HowTaken(covered: ['']),
            );
            $rows[] = Evidence::of($field, $opening, $n, $reading)[0];
        }
        self::assertSame('walk e1', $rows[0]->cause);
        self::assertSame($rows[0]->cause, $rows[1]->cause);
        $shared = SharedCause::of($rows);
        $logs = $shared->logs(0);
        self::assertEqualsWithDelta([0.505, 0.136], [exp($logs[$shared->of[0]]), exp($logs[$shared->of[1]])], 1e-9);
    }

    /** Nobody covers a level; what was seen on the walk counts for what comes after it. */
    public function testItsOrderIsLaw(): void
    {
        $state = World::state(self::log([[Kind::Intake, ['complaints' => ['pedal-spongy']]]]));
        $round = static fn (array $look, array $covered): Entry => self::log([[Kind::Round, [
            'round' => 'first',
            'answers' => [
                ['check' => 'look@vehicle', 'outcomes' => $look, 'covered' => $covered],
                ['check' => 'pedal@vehicle', 'outcomes' => ['feel' => 'firm'], 'covered' => ['feel']],
            ],
        ]]], 2)[0];
        Rule::check($state, $round(self::LOOK, []));
        try {
            Rule::check($state, $round(self::LOOK, ['level']));
            self::fail('a level is answered by name');
        } catch (InvalidData $wrong) {
            self::assertSame('/round/answers/0/covered', $wrong->path);
        }
        try {
            Rule::check($state, $round(['level' => 'empty'] + self::LOOK, []));
            self::fail('an empty chamber is filled before anybody presses');
        } catch (Refused $refused) {
            self::assertSame('pedal@vehicle', (string) $refused->check);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function complaints(): iterable
    {
        $told = [
            'medium-car' => ['drags-lf', 'pulls-left', 'pedal-sinks', 'lamp-amber', 'none'],
            'heavy-van' => ['hiss', 'level-falls'],
            'small-hatch' => ['noise', 'parking-weak'],
            'unit-saloon' => ['lamp'],
            'air-disc-lorry' => ['weak'],
            'wet-disc-loader' => ['weak'],
        ];
        foreach ($told as $preset => $complaints) {
            foreach ($complaints as $complaint) {
                yield "$preset, $complaint" => [$preset, $complaint];
            }
        }
    }

    /**
     * Whatever is complained of, walked as it is offered and all found good: no row is refused, nothing is offered
     * twice, and the walks end.
     */
    #[DataProvider('complaints')]
    public function testEveryRoundThatIsOfferedCanBeWalked(string $preset, string $complaint): void
    {
        $log = self::log([[Kind::Intake, ['complaints' => [$complaint]]]]);
        $walked = [];
        for ($n = 0; $n < 6; ++$n) {
            $state = World::state($log, $preset);
            $walk = World::diagnosis($state, $preset)->judgement()->advice->walk;
            if (null === $walk) {
                break;
            }
            $first = $walk->stops[0]->at;
            $lift = World::catalogue()->checks->of($first)->demand->lift;
            if (!$state->situation->car->lift->reaches($lift) || Lift::Ground === $lift) {
                $to = Lift::Any === $lift ? Lift::Ground : $lift;
                $up = [Kind::Lift, ['to' => $to->value, 'stands' => true]];
                $log = [...$log, ...self::log([$up], \count($log) + 1)];
                $state = World::state($log, $preset);
            }
            $answers = array_map(static fn (Stop $one): array => self::good($one, $preset), $walk->stops);
            foreach ($walk->stops as $stop) {
                self::assertArrayNotHasKey((string) $stop->at, $walked, 'a row is offered once');
                $walked[(string) $stop->at] = true;
            }
            $payload = ['round' => $walk->round, 'answers' => $answers];
            $entry = self::log([[Kind::Round, $payload]], \count($log) + 1)[0];
            Rule::check($state, $entry);
            $log[] = $entry;
        }
        self::assertNotSame([], $walked, 'there is a first look');
    }

    /** @return array<string, mixed> as a sound vehicle answers; what may be covered is */
    private static function good(Stop $stop, string $preset): array
    {
        $check = World::catalogue()->checks->of($stop->at);
        $outcomes = [];
        foreach ($stop->rows as $row) {
            $outcomes[$row] = World::field($preset)->usual($stop->at->row($row));
            self::assertContains($outcomes[$row], $check->row($row)?->observer->words() ?? []);
        }

        return [
            'check' => (string) $stop->at,
            'outcomes' => $outcomes,
            'covered' => array_map(strval(...), array_keys($stop->good)),
        ];
    }

    /**
     * @param list<array{Kind, array<string, mixed>}> $says
     *
     * @return list<Entry>
     */
    private static function log(array $says, int $from = 1): array
    {
        $log = [];
        foreach ($says as $n => [$kind, $payload]) {
            $seq = $from + $n;
            $at = new \DateTimeImmutable('2026-03-01 10:00:00 +'.$seq.' minutes');
            $log[] = new Entry('e'.$seq, $seq, $kind->read($payload), 'a', $at);
        }

        return $log;
    }
}
