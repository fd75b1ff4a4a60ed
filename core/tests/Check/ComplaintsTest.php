<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Complaint\Complaints;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;

/**
 * What drivers say, by hand: 25 N·m are noticed with 1 − 1/e = 0.63212. Of those whose vehicle drags on one side a
 * fifth tell of a pull, and 0.15 times as many of one after letting go.
 */
final class ComplaintsTest extends TestCase
{
    private const N = 0.6321206;

    public function testOneWheel(): void
    {
        $chances = $this->chances(['lf' => 25.0]);
        self::assertEqualsWithDelta(0.77 * self::N, $chances['drags-lf'], 1e-6);
        self::assertEqualsWithDelta(0.20 * self::N, $chances['pulls-left'], 1e-6);
        self::assertEqualsWithDelta(0.03 * self::N, $chances['left-after'], 1e-6);
        self::assertSame(0.0, $chances['pulls-right']);
        // of the rest 0.5 (1 − 1/e) tell of a soft pedal: a sound one is one scale past where it begins
        self::assertEqualsWithDelta((1.0 - self::N) * 0.5 * self::N, $chances['soft'], 1e-6);
        self::assertEqualsWithDelta((1.0 - self::N) * (1.0 - 0.5 * self::N), $chances['none'], 1e-6);
        self::assertEqualsWithDelta(1.0, array_sum($chances), 1e-12);
        self::assertEqualsWithDelta(0.20 * self::N, $this->chances(['rr' => 25.0])['pulls-right'], 1e-6);
        self::assertEqualsWithDelta(0.03 * self::N, $this->chances(['rr' => 25.0])['right-after'], 1e-6);
        self::assertEqualsWithDelta(0.77 * self::N, $this->chances(['rr' => 25.0, 'lf' => -9.0])['drags-rr'], 1e-6);
    }

    /** Both of an axle, with n² together and n (1 − n) alone: together nobody tells of a pull. */
    public function testAnAxle(): void
    {
        $chances = $this->chances(['lf' => 25.0, 'rf' => 25.0]);
        $alone = self::N * (1.0 - self::N);
        self::assertEqualsWithDelta(self::N ** 2, $chances['drags-front'], 1e-6);
        self::assertEqualsWithDelta(0.77 * $alone, $chances['drags-lf'], 1e-6);
        self::assertEqualsWithDelta(0.20 * $alone, $chances['pulls-right'], 1e-6);
        self::assertSame(0.0, $chances['drags-all']);
    }

    /** Both of a side have no name of their own: wheel by wheel, half each. Three are all; they pull where two are. */
    public function testASideAndThreeWheels(): void
    {
        $alone = self::N * (1.0 - self::N);
        $side = $this->chances(['lf' => 25.0, 'lr' => 25.0]);
        self::assertEqualsWithDelta(0.77 * ($alone + 0.5 * self::N ** 2), $side['drags-lf'], 1e-6);
        self::assertEqualsWithDelta($side['drags-lf'], $side['drags-lr'], 1e-12);
        self::assertEqualsWithDelta(0.20 * (2.0 * $alone + self::N ** 2), $side['pulls-left'], 1e-6);
        $three = $this->chances(['lf' => 1e6, 'lr' => 1e6, 'rf' => 1e6]);
        self::assertEqualsWithDelta(0.77, $three['drags-all'], 1e-9);
        self::assertEqualsWithDelta(0.20, $three['pulls-left'], 1e-9);
        $all = $this->chances(['lf' => 1e6, 'lr' => 1e6, 'rf' => 1e6, 'rr' => 1e6]);
        self::assertEqualsWithDelta(1.0, $all['drags-all'], 1e-9);
    }

    /** How often somebody says it whose brakes are sound: shares of what stands there, or all alike. */
    public function testElsewhere(): void
    {
        $elsewhere = array_combine($this->complaints()->words(), $this->complaints()->elsewhere());
        self::assertEqualsWithDelta(0.25, $elsewhere['pulls-left'], 1e-12);
        self::assertEqualsWithDelta(0.75, $elsewhere['none'], 1e-12);
        self::assertSame(0.0, $elsewhere['drags-lf']);
        self::assertSame('none', $this->complaints()->none());
        $plain = self::read([['id' => 'pulls-left', 'what' => 'x'], ['id' => 'none', 'what' => 'y']], 'pulls-left');
        self::assertSame([0.5, 0.5], $plain->elsewhere());
    }

    /**
     * @param array<string, float> $drag
     *
     * @return array<string, float>
     */
    private function chances(array $drag): array
    {
        $drag += ['lf' => 0.0, 'rf' => 0.0, 'lr' => 0.0, 'rr' => 0.0];

        return $this->complaints()->chances(World::subject(World::layout()), $drag);
    }

    private function complaints(): Complaints
    {
        $rows = [];
        foreach (['lf', 'rf', 'lr', 'rr'] as $wheel) {
            $rows[] = ['id' => "drags-$wheel", 'what' => 'drags', 'drags' => ['wheels' => [$wheel]]];
        }
        $soft = ['probe' => 'weakness', 'curve' => 'bell', 'from' => -0.3, 'scale' => 0.3, 'share' => 0.5];

        return self::read([
            ...$rows,
            ['id' => 'drags-front', 'what' => 'drags', 'drags' => ['wheels' => ['lf', 'rf']]],
            ['id' => 'drags-all', 'what' => 'drags', 'drags' => ['more_than' => 2]],
            ['id' => 'pulls-left', 'what' => 'pulls', 'elsewhere' => 0.1],
            ['id' => 'pulls-right', 'what' => 'pulls'],
            ['id' => 'left-after', 'what' => 'pulls'],
            ['id' => 'right-after', 'what' => 'pulls'],
            ['id' => 'soft', 'what' => 'soft', 'noticed' => $soft],
            ['id' => 'none', 'what' => 'none', 'elsewhere' => 0.3],
        ]);
    }

    /** @param list<array<string, mixed>> $rows */
    private static function read(array $rows, string $always = ''): Complaints
    {
        $pull = ['share' => 0.2, 'left' => 'pulls-left', 'right' => 'pulls-right', 'after_share' => 0.15];
        $pull += ['left_after' => 'left-after', 'right_after' => 'right-after'];
        if ('' !== $always) {
            $pull = ['left' => $always, 'right' => $always, 'left_after' => $always, 'right_after' => $always] + $pull;
        }

        return Complaints::fromShape(
            new Shape(['complaints' => $rows, 'drag' => ['noticed_nm' => 25.0, 'told_as_a_pull' => $pull]]),
            [],
        );
    }
}
