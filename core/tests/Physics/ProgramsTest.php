<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Physics\Program;

/**
 * What the foot does in each program and when the vehicle is looked at, added up by hand from the procedures. An engine
 * is its vacuum in kPa, whether that is steady, and the second of its start.
 *
 * @phpstan-type Engine array{float|null, bool, float|null}
 */
final class ProgramsTest extends TestCase
{
    /**
     * @param \Closure(): Program $made in the test, so that its lines count as walked over by it
     * @param list<array{float, float}> $points seconds and newtons
     * @param list<float> $sampleAt
     * @param Engine $engine
     */
    #[DataProvider('providePrograms')]
    public function testAProgramIsItsProcedure(\Closure $made, array $points, array $sampleAt, array $engine): void
    {
        $program = $made();
        self::assertEqualsWithDelta($points, $program->foot->points, 1e-9);
        self::assertEqualsWithDelta($sampleAt, $program->sampleAt, 1e-9);
        self::assertSame(max($program->sampleAt), $program->end());
        self::assertSame($engine, [$program->supply->kpa, $program->supply->steady, $program->supply->from]);
    }

    /** @return iterable<string, array{\Closure(): Program, list<array{float, float}>, list<float>, Engine}> */
    public static function providePrograms(): iterable
    {
        $runs = [null, false, null];
        $off = [0.0, false, null];
        // on in 0.4 s, held for 3 s, off in 0.2 s: off at 3.6 s, then 1, 4, 5, 6, 17, 30, 60 and 300 s later
        $looks = [3.4, 4.6, 7.6, 8.6, 9.6, 20.6, 33.6, 63.6, 303.6];
        yield 'the firm press' => [
            static fn (): Program => Program::press(),
            [[0.0, 0.0], [0.4, 150.0], [3.4, 150.0], [3.6, 0.0]],
            $looks,
            $runs,
        ];
        yield 'a hard one, for five seconds' => [
            static fn (): Program => Program::pressFor(400.0, 5.0),
            [[0.0, 0.0], [0.4, 400.0], [5.4, 400.0], [5.6, 0.0]],
            [5.4, 6.6, 9.6],
            $runs,
        ];
        yield 'engine off' => [
            static fn (): Program => Program::pressEngineOff(200.0),
            [[0.0, 0.0], [0.4, 200.0], [3.4, 200.0], [3.6, 0.0]],
            [3.4, 4.6, 7.6],
            $off,
        ];
        yield 'a hand pump at the booster' => [
            static fn (): Program => Program::handPump(),
            [[0.0, 0.0], [0.4, 200.0], [3.4, 200.0], [3.6, 0.0]],
            [3.4, 4.6, 7.6],
            [60.0, true, null],
        ];
        yield 'a moderate stop' => [
            static fn (): Program => Program::stop(),
            [[0.0, 0.0], [0.2, 80.0], [2.2, 80.0], [2.4, 0.0]],
            [0.3, 2.0],
            $runs,
        ];
        // a stroke: on in 0.25, held for 0.30, off in 0.15, 0.15 until the next: 0.85 s
        $strokes = static fn (int $count): array => array_merge([[0.0, 0.0]], ...array_map(
            static fn (float $t): array => [[$t + 0.25, 100.0], [$t + 0.55, 100.0], [$t + 0.7, 0.0], [$t + 0.85, 0.0]],
            \array_slice([0.0, 0.85, 1.7, 2.55, 3.4, 4.25, 5.1, 5.95, 6.8, 7.65], 0, $count),
        ));
        // three, the last one off at 2.4 s, and one five seconds after that
        yield 'pumped' => [
            static fn (): Program => Program::pump(),
            [...$strokes(3), [7.4, 0.0], [7.65, 100.0], [7.95, 100.0], [8.1, 0.0]],
            [0.55, 1.4, 2.25, 7.95],
            $runs,
        ];
        // the tenth is held until 8.2 s and off at 8.35 s
        yield 'ten quick ones' => [
            static fn (): Program => Program::series(),
            $strokes(10),
            [8.15, 9.35, 12.35, 13.35, 14.35, 25.35, 38.35, 68.35, 308.35],
            $runs,
        ];
        yield 'a light hold for a minute' => [
            static fn (): Program => Program::hold(30.0, 60.0),
            [[0.0, 0.0], [0.4, 30.0]],
            [1.4, 5.4, 15.4, 60.4],
            $runs,
        ];
        // off at 30.6 s for a second, and on again in 0.4 s: looked at 1 and 15 s later
        yield 'a firm hold, and at once another' => [
            static fn (): Program => Program::holdTwice(),
            [[0.0, 0.0], [0.4, 150.0], [30.4, 150.0], [30.6, 0.0], [31.6, 0.0], [32.0, 150.0]],
            [1.4, 5.4, 15.4, 30.4, 33.0, 47.0],
            $runs,
        ];
        yield 'the engine started under the foot' => [
            static fn (): Program => Program::start(),
            [[0.0, 0.0], [0.4, 80.0]],
            [2.9, 5.0, 9.0],
            [null, false, 3.0],
        ];
    }
}
