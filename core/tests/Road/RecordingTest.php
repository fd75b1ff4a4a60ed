<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Road;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Road\Recording;
use Rodrel\Core\Road\RollerRun;
use Rodrel\Core\Road\WheelSpeeds;

final class RecordingTest extends TestCase
{
    /**
     * By hand: r = 0.3 m at 3 km/h turns once in 2π·0.3/(3/3.6) = 2.262 s. 2000 N ± 200 N once a turn swings by
     * 400/2000 = 20 %; the same swing at 7.3 times the wheel is as large and does not go with it.
     */
    public function testTheSwingOfATurn(): void
    {
        $run = RollerRun::of($this->recorded(9.5, 0.02, [
            'lf' => static fn (float $t): float => 2000.0 + 200.0 * sin(2.0 * \M_PI * $t / 2.2619),
            'rf' => static fn (float $t): float => 2000.0 + 200.0 * sin(2.0 * \M_PI * 7.3 * $t / 2.2619),
            'lr' => static fn (float $t): float => $t < 1.0 ? 0.0 : 900.0,
        ]), 0.3);
        self::assertEqualsWithDelta(2.2619, $run->turnS, 1e-3);
        self::assertEqualsWithDelta(0.20, $run->swing('lf'), 0.002);
        self::assertTrue($run->goesWithTheWheel('lf'));
        self::assertFalse($run->goesWithTheWheel('rf'));
        // an oval drum swings twice a turn; rollers that turn 5 % faster than they say; at 1.5 times it is neither
        $oval = RollerRun::of($this->recorded(9.5, 0.02, [
            'lf' => static fn (float $t): float => 2000.0 + 200.0 * sin(2.0 * \M_PI * 2.0 * $t / 2.2619),
            'rf' => static fn (float $t): float => 2000.0 + 200.0 * sin(2.0 * \M_PI * 1.05 * $t / 2.2619),
            'lr' => static fn (float $t): float => 2000.0 + 200.0 * sin(2.0 * \M_PI * 1.5 * $t / 2.2619),
        ]), 0.3);
        self::assertSame([true, true, false], array_map($oval->goesWithTheWheel(...), ['lf', 'rf', 'lr']));
        self::assertEqualsWithDelta(900.0, $run->meanN('lr'), 1e-9, 'what is not pressed is left out');
        self::assertSame(0.0, $run->swing('lr'));
        self::assertSame(0.0, $run->meanN('rr'), 'a wheel that was not recorded makes nothing');
    }

    /** 5.4 km/h is 1.5 m/s: with r = 0.3 m a turn is 1.885 m, 1.2566 s; in 10 s there are 7.96 turns. */
    public function testSpeedsAtWalkingPace(): void
    {
        $gap = static fn (float $t): float => fmod($t + 0.3, 1.2566) < 0.08 ? 2.0 : 5.4;
        $speeds = WheelSpeeds::of($this->recorded(10.0, 0.02, [
            'lf' => static fn (float $t): float => 5.4,
            'rf' => $gap,
            'lr' => static fn (float $t): float => 0.0,
            'rr' => static fn (float $t): float => 5.4 + 0.3 * sin(9.0 * $t),
        ]), 0.3);
        self::assertEqualsWithDelta(7.96, $speeds->turns('lf'), 0.02);
        self::assertSame(
            ['lf' => 'even', 'rf' => 'gap-each-turn', 'lr' => 'weak-or-none', 'rr' => 'even'],
            $speeds->words(),
        );
    }

    /** The left front is turned first and the right front answers. */
    public function testSensorsThatAreCrossed(): void
    {
        $while = static fn (float $from): \Closure => static fn (float $t): float => $t >= $from && $t < $from + 2.0
            ? 4.0
            : 0.0;
        $recording = $this->recorded(
            8.0,
            0.05,
            ['lf' => $while(2.0), 'rf' => $while(0.0), 'lr' => $while(4.0), 'rr' => $while(6.0)],
            "# turned=lf,rf,lr,rr\n",
        );
        self::assertSame(['lf' => 'rf', 'rf' => 'lf'], WheelSpeeds::of($recording, 0.3)->crossed());
        self::assertNotContains('weak-or-none', WheelSpeeds::of($recording, 0.3)->words());
    }

    /** Nobody turns four wheels alike: which was turned when counts, not how fast or for how long. */
    public function testWheelsTurnedUnevenlyAreNotCrossed(): void
    {
        $recording = $this->recorded(
            8.0,
            0.05,
            [
                'lf' => self::turned(0.0, 3.0, 12.0),
                'rf' => self::turned(3.0, 4.0, 3.0),
                'lr' => self::turned(4.0, 7.0, 9.0),
                'rr' => self::turned(7.0, 7.5, 4.0),
            ],
            "# turned=lf,rf,lr,rr\n",
        );
        self::assertSame([], WheelSpeeds::of($recording, 0.3)->crossed());
    }

    public function testACommaAsPointAndNotesAreRead(): void
    {
        $csv = "# speed_kmh=2,5\n\ntime_s;lf\n";
        for ($n = 0; $n < 30; ++$n) {
            $csv .= str_replace('.', ',', \sprintf("%.1f;%.1f\r\n", $n / 10.0, 100.5));
        }
        $recording = Recording::fromCsv($csv);
        self::assertSame([100.5], array_values(array_unique($recording->values['lf'])));
        self::assertSame(2.5, $recording->note('speed_kmh', 3.0));
        self::assertSame(0.3, $recording->note('radius_m', 0.3));
    }

    /**
     * 3.6 km/h is a metre a second, and a wheel of 1/2π m turns once in it: so turns are seconds. A gap is a drop to
     * less than three quarters, at three of five turns at least, twice at least; a start and an end are none.
     */
    public function testWhatCountsAsAGapAtEachTurn(): void
    {
        $word = fn (float $seconds, float $low, array $at): string => WheelSpeeds::of($this->recorded($seconds, 0.05, [
            'lf' => static fn (float $t): float => \in_array((int) round($t / 0.05), $at, true) ? $low : 3.6,
        ]), 0.5 / \M_PI)->words()['lf'];
        self::assertSame('gap-each-turn', $word(5.01, 2.69, [20, 40, 60]));
        self::assertSame('even', $word(5.01, 2.71, [20, 40, 60]), 'no deep drop');
        self::assertSame('even', $word(5.01, 2.69, [20, 40]), 'two of five turns');
        self::assertSame('gap-each-turn', $word(3.01, 2.69, [20, 40]));
        self::assertSame('even', $word(1.01, 2.69, [10]), 'once is no pattern');
        self::assertSame('even', $word(0.98, 2.69, [5, 9, 13]), 'no whole turn');
        self::assertSame('even', $word(2.01, 0.0, [0, 1, 2, 20, 38, 39, 40]), 'a start, one gap and an end');
        self::assertSame('gap-each-turn', $word(2.01, 0.0, [0, 1, 10, 20, 39, 40]));
    }

    /**
     * Half of what the others tell, from 1 km/h on, is a signal; alone, or turned by hand, a wheel is its own measure.
     */
    public function testAWeakSignal(): void
    {
        $words = fn (int $tells, float $kmh, string $notes = ''): array => WheelSpeeds::of($this->recorded(4.95, 0.05, [
            'lf' => static fn (float $t): float => 3.6,
            'rf' => static fn (float $t): float => round($t / 0.05) < $tells ? $kmh : 0.0,
        ], $notes), 0.5 / \M_PI)->words();
        self::assertSame('even', $words(50, 3.6)['rf']);
        self::assertSame('weak-or-none', $words(49, 3.6)['rf']);
        self::assertSame('even', $words(100, 1.0)['rf']);
        self::assertSame('weak-or-none', $words(100, 0.99)['rf']);
        self::assertSame('even', $words(20, 3.6, "# turned=lf,rf\n")['rf']);
        self::assertSame('even', $words(49, 3.6)['lf'], 'of two the other one tells less');
        $alone = $this->recorded(2.0, 0.05, ['lf' => static fn (float $t): float => $t < 0.2 ? 3.6 : 0.0]);
        self::assertSame(['lf' => 'even'], WheelSpeeds::of($alone, 0.3)->words());
        $none = $this->recorded(2.0, 0.05, ['lf' => static fn (float $t): float => 0.0]);
        self::assertSame(['lf' => 'weak-or-none'], WheelSpeeds::of($none, 0.3)->words());
    }

    /** A note of the recording goes before the layout; nobody is crossed when the order fits, or is not told whole. */
    public function testNotesOfWheelSpeeds(): void
    {
        $of = fn (string $notes): WheelSpeeds => WheelSpeeds::of($this->recorded(3.0, 0.05, [
            'rf' => static fn (float $t): float => $t < 1.0 ? 3.6 : 0.0,
            'lf' => static fn (float $t): float => $t > 1.97 ? 3.6 : 0.0,
        ], $notes), 0.25 / \M_PI);
        self::assertEqualsWithDelta(2.1, $of('')->turns('lf'), 1e-9);
        self::assertEqualsWithDelta(1.05 / (2.0 * \M_PI * 0.2), $of("# radius_m=0,2\n")->turns('lf'), 1e-9);
        self::assertSame([], $of("# turned=rf,lf\n")->crossed());
        self::assertSame(['lf' => 'rf', 'rf' => 'lf'], $of("# turned=lf, rf\n")->crossed());
        self::assertSame([], $of("# turned=lf,rf,lr\n")->crossed());
        self::assertSame([], $of('')->crossed());
    }

    /** From the first sample of four fifths to the last, whatever lies between; of three turns the middle one. */
    public function testWhenARollerIsPressedAndWhichTurnIsTold(): void
    {
        $given = [0.0, 799.0, 800.0, 500.0, 1000.0, 800.0, 799.0];
        $run = RollerRun::of($this->recorded(3.0, 0.1, [
            'lf' => static fn (float $t): float => $given[(int) round($t * 10.0)] ?? 0.0,
        ]), 0.3);
        self::assertEqualsWithDelta(775.0, $run->meanN('lf'), 1e-9);
        self::assertNull($run->swing('lf'), 'no whole turn');
        // a turn in 2 s: r = 1/π m at 3.6 km/h; each turn swings about 2000 N by its own height
        $swing = fn (float $seconds, float ...$heights): ?float => RollerRun::of($this->recorded($seconds, 0.05, [
            'lf' => static fn (float $t): float => 2000.0
                + ($heights[(int) ($t / 2.0)] ?? 0.0) * sin(\M_PI * $t),
        ], "# speed_kmh=3.6\n"), 1.0 / \M_PI)->swing('lf');
        self::assertEqualsWithDelta(0.20, (float) $swing(6.0, 400.0, 100.0, 200.0), 0.002);
        self::assertEqualsWithDelta(0.40, (float) $swing(4.0, 100.0, 400.0), 0.002);
        self::assertEqualsWithDelta(0.10, (float) $swing(3.9, 100.0, 400.0), 0.005, 'the second is not whole');
        // the wheel's share of the variance: 1 / (1 + b²)
        $goes = fn (float $b, float $phase): bool => RollerRun::of($this->recorded(7.95, 0.05, [
            'lf' => static fn (float $t): float => 2000.0 + 100.0 * sin(\M_PI * $t + $phase)
                + 100.0 * $b * sin(3.0 * \M_PI * $t),
        ], "# speed_kmh=3.6\n"), 1.0 / \M_PI)->goesWithTheWheel('lf');
        foreach ([0.0, 0.8, 1.57, 4.0] as $phase) {
            self::assertTrue($goes(0.97, $phase));
            self::assertFalse($goes(1.03, $phase));
        }
        $still = $this->recorded(3.0, 0.1, ['lf' => static fn (float $t): float => 500.0]);
        self::assertFalse(RollerRun::of($still, 0.3)->goesWithTheWheel('lf'));
        $none = $this->recorded(3.0, 0.1, ['lf' => static fn (float $t): float => 0.0]);
        self::assertSame(0.0, RollerRun::of($none, 0.3)->meanN('lf'));
    }

    /** What programs write: tabs, quotes, a mark of byte order, notes that say nothing; and how much may be in it. */
    public function testWhatMayStandInAFile(): void
    {
        $rows = static fn (int $n, string $by): string => implode("\n", array_map(
            static fn (int $one): string => ($one / 10.0).$by.'7',
            range(1, $n),
        ));
        $read = Recording::fromCsv(
            "\u{FEFF} # made by hand\n\t# speed_kmh = 4 \n# speed_kmh=9\n# radius_m=-1\n\"Time\"\t\"LF\"\n"
                .$rows(20, "\t"),
        );
        self::assertSame(4.0, $read->note('speed_kmh', 3.0));
        self::assertSame(0.3, $read->note('radius_m', 0.3), 'nothing has a radius below nothing');
        self::assertSame(['lf'], array_keys($read->values));
        self::assertCount(20, $read->times);
        self::assertSame(0.2, $read->times[1]);
        self::assertCount(50_000, Recording::fromCsv("time,lf\n".$rows(50_000, ','))->times);
        foreach ([19, 50_001] as $n) {
            try {
                Recording::fromCsv("time,lf\n".$rows($n, ','));
                self::fail("$n were read.");
            } catch (InvalidData $wrong) {
                self::assertStringContainsString("there are $n", $wrong->getMessage());
            }
        }
    }

    #[DataProvider('provideWrong')]
    public function testWhatIsWrongIsNamedWithItsLine(string $csv, string $path, string $said): void
    {
        try {
            Recording::fromCsv($csv);
            self::fail('It was read.');
        } catch (InvalidData $wrong) {
            self::assertSame($path, $wrong->path);
            self::assertStringContainsString($said, $wrong->getMessage());
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function provideWrong(): iterable
    {
        yield 'a head of its own' => ["when,left\n1,2\n", '/recording/line/1', 'time_s,lf,rf,lr,rr'];
        yield 'a word' => ["time_s,lf\n0,much\n", '/recording/line/2', '"much" is no number'];
        yield 'time goes back' => ["time_s,lf\n1,2\n0.5,2\n", '/recording/line/3', 'time does not go on'];
        yield 'a column more' => ["time_s,lf\n1,2,3\n", '/recording/line/2', '2 columns'];
        yield 'no wheel' => ["time_s\n1\n", '/recording/line/1', 'time_s,lf,rf,lr,rr'];
        yield 'a wheel nobody knows' => ["time_s,lf,spare\n", '/recording/line/1', 'time_s,lf,rf,lr,rr'];
        yield 'time stands' => ["\ntime_s,lf\n1,2\n1,2\n", '/recording/line/4', 'time does not go on'];
        yield 'a comma in a number' => ["time_s,lf\n1;5,2\n", '/recording/line/2', '"1;5" is no number'];
        yield 'nothing' => ['', '/recording', 'there are 0'];
    }

    /** @param array<string, \Closure(float): float> $wheels */
    private function recorded(float $seconds, float $step, array $wheels, string $notes = ''): Recording
    {
        $csv = $notes.'time_s,'.implode(',', array_keys($wheels))."\n";
        for ($n = 0; $n * $step <= $seconds; ++$n) {
            $values = array_map(static fn ($of): float => $of($n * $step), array_values($wheels));
            $csv .= implode(',', [$n * $step, ...$values])."\n";
        }

        return Recording::fromCsv($csv);
    }

    /** A wheel that is turned for a while, km/h. */
    private static function turned(float $from, float $to, float $kmh): \Closure
    {
        return static fn (float $t): float => $t >= $from && $t < $to ? $kmh : 0.0;
    }
}
