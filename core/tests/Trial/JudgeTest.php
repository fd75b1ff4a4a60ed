<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Advised;
use Rodrel\Core\Trial\Luck;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Trial\Policy;
use Rodrel\Core\Trial\Result;
use Rodrel\Core\Trial\Tally;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** What the benchmark counts, and that it counts what it says. */
final class JudgeTest extends TestCase
{
    /** 81 of 100: (0.81 + 3.8416/200) / 1.038416 ± 1.96 · √(0.81 · 0.19 / 100 + 3.8416/40000) / 1.038416. */
    public function testTheIntervalOfAShare(): void
    {
        $share = Tally::share(81, 100);
        self::assertEqualsWithDelta([0.81, 0.7222, 0.8749], array_values($share), 1e-4);
        self::assertEqualsWithDelta([0.0, 0.0, 0.2775], array_values(Tally::share(0, 10)), 1e-4);
        self::assertSame([0.0, 0.0, 1.0], array_values(Tally::share(0, 0)), 'nothing counted says nothing');
    }

    /** 1, 2, 3, 6: 3 ± 1.96 · √(14 / 3 / 4). */
    public function testTheIntervalOfAMean(): void
    {
        $mean = Tally::mean([6.0, 1.0, 3.0, 2.0]);
        self::assertEqualsWithDelta([3.0, 0.8830, 5.1170, 3.0], array_values($mean), 1e-4);
        self::assertSame([7.0, 7.0, 7.0, 7.0], array_values(Tally::mean([7.0])));
    }

    /**
     * Three believed 93 % of which two are right, one believed 55 % and one believed for certain that are right:
     * (3 · |0.93 − 0.667| + 1 · 0.45 + 0) / 5; and the mean square of what each is off.
     */
    public function testHowFarBeliefIsFromTruth(): void
    {
        $found = Tally::calibration([[0.92, true], [0.94, true], [0.93, false], [0.55, true], [1.0, true]]);
        self::assertEqualsWithDelta(0.248, $found['error'], 1e-9);
        self::assertEqualsWithDelta((0.0064 + 0.0036 + 0.8649 + 0.2025) / 5, $found['brier'], 1e-9);
        self::assertSame([[0.55, 1], [0.9, 3], [0.95, 1]], array_map(
            static fn (array $row): array => [$row['from'], $row['n']],
            $found['rows'],
        ));
    }

    public function testLuckIsTheSameAgainAndFair(): void
    {
        $drawn = static fn (int $seed): array => array_map(
            static fn (Luck $luck): float => $luck->share(),
            array_fill(0, 4000, Luck::about($seed, 'wear')),
        );
        self::assertSame($drawn(7), $drawn(7));
        self::assertNotSame($drawn(7), $drawn(8));
        self::assertEqualsWithDelta(0.5, array_sum($drawn(7)) / 4000, 0.02);
        $luck = Luck::about(7, 'foot');
        $normal = array_map(static fn (): float => $luck->deviation(), range(1, 4000));
        self::assertEqualsWithDelta(0.0, array_sum($normal) / 4000, 0.06);
        $squares = array_map(static fn (float $x): float => $x * $x, $normal);
        self::assertEqualsWithDelta(1.0, array_sum($squares) / 4000, 0.08);
        $picked = array_count_values(array_map(static fn (): int => $luck->pick([1.0, 0.0, 3.0]), range(1, 4000)));
        self::assertEqualsWithDelta(0.75, $picked[2] / 4000, 0.03);
        self::assertArrayNotHasKey(1, $picked);
    }

    /** A piston stuck out holds its wheel: that is seen, to drive it is unsafe, and its own repair alone cures it. */
    public function testAVehicleAnswersForItsFault(): void
    {
        $vehicle = Trials::vehicle('piston.stuck-out');
        $spin = CheckAt::parse('spin@vehicle');
        self::assertSame($vehicle->answer($spin), $vehicle->answer($spin), 'asked again at once it is the same');
        self::assertSame('will-not-turn', $vehicle->answer($spin)['lf']);
        self::assertTrue($vehicle->isUnsafeToDrive());
        self::assertFalse($vehicle->isHidden());
        [$cure] = array_map(GroupAt::parse(...), $vehicle->cures());
        self::assertSame('caliper@lf', (string) $cure);
        self::assertFalse($vehicle->repair(GroupAt::parse('caliper@rf')));
        self::assertTrue($vehicle->isUnsafeToDrive());
        self::assertTrue($vehicle->repair($cure));
        self::assertNotSame('will-not-turn', $vehicle->answer($spin)['lf']);
        self::assertFalse($vehicle->isUnsafeToDrive());
        self::assertTrue($vehicle->isHidden());
    }

    /** Who drives it without having spun the wheels does what the rules refuse, unsafely, and is counted for both. */
    public function testWhatIsForbiddenAndUnsafeIsCounted(): void
    {
        $result = $this->played('piston.stuck-out', 'pull@vehicle', 1);
        self::assertSame([1, 1, 1], [$result['forbidden'], $result['unsafe'], $result['acts']]);
        self::assertSame('out-of-checks', $result['end']);
        $result = $this->played('piston.stuck-out', 'look@vehicle', 1);
        self::assertSame([0, 0, 1], [$result['forbidden'], $result['unsafe'], $result['acts']]);
    }

    /**
     * Sixty looks at the reservoir end it: nothing is signed, and it costs the looks, the repair that was due, the
     * comeback and three quarters of an hour to start over.
     */
    public function testWhatNeverEndsIsWrongAndPaidFor(): void
    {
        $result = $this->played('piston.stuck-out', 'look@vehicle', 99);
        self::assertSame(['endless', '', false], [$result['end'], $result['signed'], $result['right']]);
        self::assertSame(60, $result['acts']);
        self::assertSame(0, $result['wrongParts']);
        $settings = World::settings();
        $look = World::catalogue()->checks->of(CheckAt::parse('look@vehicle'))->demand->minutes;
        self::assertEqualsWithDelta(60 * $look, $result['minutes'], 2.0, 'and a way of some steps');
        [$cure] = array_map(GroupAt::parse(...), Trials::vehicle('piston.stuck-out')->cures());
        $repair = Costs::ofGroup(World::catalogue()->repairs, $settings, $cure);
        $rate = $settings->labour->rateCentsPerMinute;
        self::assertEqualsWithDelta(
            ($result['minutes'] + 45.0) * $rate + $repair + $settings->labour->comebackCents,
            $result['cents'],
            1e-6,
        );
    }

    /**
     * Who does what the bench says finds a hose that lets go of nothing, without a wrong part: the job costs its
     * minutes and the one repair.
     */
    public function testWhatIsFoundIsCounted(): void
    {
        $settings = World::settings();
        $hose = Costs::ofGroup(World::catalogue()->repairs, $settings, GroupAt::parse('hose@lf'));
        $vehicle = Trials::vehicle('hose.one-way');
        $play = Trials::at($vehicle);
        $repairs = World::catalogue()->repairs;
        $result = Result::of(new Advised(), $play, $vehicle, $repairs, static fn (): float => 0.0)->toArray();
        self::assertSame(['hose@lf', true, true], [$result['signed'], $result['right'], $result['mode']]);
        self::assertSame([0, 0, 0, false], [
            $result['wrongParts'],
            $result['forbidden'],
            $result['unsafe'],
            $result['second'],
        ]);
        self::assertFalse($result['falselyOdd']);
        self::assertSame($result['acts'], \count($result['path']));
        self::assertEqualsWithDelta(
            $result['minutes'] * $settings->labour->rateCentsPerMinute + $play->consumablesCents + $hose,
            $result['cents'],
            1e-6,
        );
        // from arrival the driver's own words are on the log before any check
        self::assertSame(['drags-lf'], Trials::play('hose.one-way')->state()->situation->complaints(
            World::catalogue()->checks,
        ));
        // a raised check on the ground: a minute's walk, four up, two for the helper, and what spinning takes itself
        $play = Trials::play('hose.one-way');
        $spin = CheckAt::parse('spin@vehicle');
        $play->make($spin);
        $itself = World::catalogue()->checks->of($spin)->demand->minutes;
        self::assertEqualsWithDelta(7.0 + $itself, $play->minutes, 1e-9);
        self::assertSame([1, 1], [$play->lifts, $play->acts]);
        $play->make($spin);
        self::assertEqualsWithDelta(7.0 + 2.0 * $itself, $play->minutes, 1e-9, 'it is up, and the helper sits there');
        self::assertSame(1, $play->lifts);
        $readings = $play->state()->situation->readings;
        self::assertSame('will-not-turn', end($readings)->outcomes['lf'] ?? null);
    }

    /** @return array<mixed> of a job in which one check is made again and again, so often at most */
    private function played(string $fault, string $check, int $often): array
    {
        $policy = new class($check, $often) implements Policy {
            public function __construct(private readonly string $check, private int $often)
            {
            }

            public static function id(): string
            {
                return 'stubborn';
            }

            public function next(Play $play, Verdict $verdict): ?CheckAt
            {
                return 0 < $this->often-- ? CheckAt::parse($this->check) : null;
            }
        };
        $repairs = World::catalogue()->repairs;

        $vehicle = Trials::vehicle($fault);

        return Result::of($policy, Trials::at($vehicle), $vehicle, $repairs, static fn (): float => 0.0)->toArray();
    }
}
