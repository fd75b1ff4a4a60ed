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
}
