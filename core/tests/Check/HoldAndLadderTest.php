<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\HoldTold;
use Rodrel\Core\Check\Ladder;
use Rodrel\Core\Isolation\Likeness;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What a held pedal and a ladder of joints say in one sentence. */
final class HoldAndLadderTest extends TestCase
{
    /** @param array<string, float> $mm */
    #[DataProvider('provideHolds')]
    public function testAHeldPedalSays(array $mm, string $key, ?float $mmPerS): void
    {
        $told = HoldTold::of($mm);
        self::assertSame($key, $told->key);
        null === $mmPerS
            ? self::assertNull($told->mmPerS)
            : self::assertEqualsWithDelta($mmPerS, (float) $told->mmPerS, 1e-9);
    }

    /** @return iterable<string, array{array<string, float>, string, float|null}> */
    public static function provideHolds(): iterable
    {
        yield 'nothing read' => [[], 'nothing', null];
        yield 'as fast at the end as at the start, and again: 4 mm in 4 s' => [
            ['five' => 4.0, 'fifteen' => 14.0, 'thirty' => 29.0, 'again' => 14.0], 'sinks-on', 1.0,
        ];
        yield 'a chamber that fills and is full: 12 mm in 4 s' => [
            ['five' => 12.0, 'fifteen' => 20.0, 'thirty' => 21.0, 'again' => 1.0], 'fills', 3.0,
        ];
        yield 'slows down, not held again yet' => [
            ['five' => 12.0, 'fifteen' => 20.0, 'thirty' => 21.0], 'fills', 3.0,
        ];
        yield 'light and not firm' => [['light' => 20.0, 'thirty' => 1.0], 'lip', 1.0 / 29.0];
        yield 'light alone' => [['light' => 20.0], 'light-only', null];
        yield 'neither' => [['light' => 1.0, 'thirty' => 2.9], 'holds-both', 0.1];
        yield 'firm alone' => [['thirty' => 2.9], 'holds', 0.1];
        yield 'four millimetres are a sink' => [['thirty' => 4.0], 'sinks-on', 4.0 / 29.0];
        yield 'less is the seat and the ruler' => [['thirty' => 3.9], 'holds', 3.9 / 29.0];
        yield 'four of a light hold' => [['light' => 4.0, 'thirty' => 3.9], 'lip', 3.9 / 29.0];
        // 14 mm in 14 s would be 15 more in the next 15; 0.55 of that is 8.25
        yield 'slower than half as fast' => [['fifteen' => 14.0, 'thirty' => 22.2], 'fills', 1.0];
        yield 'a little faster' => [['fifteen' => 14.0, 'thirty' => 22.3], 'sinks-on', 1.0];
        yield 'held again it sinks a third' => [['thirty' => 20.0, 'again' => 6.9], 'fills', 20.0 / 29.0];
        yield 'and more than a third' => [['thirty' => 20.0, 'again' => 7.1], 'sinks-on', 20.0 / 29.0];
    }

    /** @param array<string, string> $words */
    #[DataProvider('provideLadders')]
    public function testALadderSays(array $words, string $said, ?string $below, ?string $above): void
    {
        $ladder = Ladder::of($words);
        self::assertSame($said, $ladder->said());
        self::assertSame([$below, $above], [$ladder->below?->value, $ladder->above?->value]);
    }

    /** @return iterable<string, array{array<string, string>, string, string|null, string|null}> */
    public static function provideLadders(): iterable
    {
        yield 'nothing opened' => [[], 'nothing', null, null];
        yield 'the hose' => [
            ['wheel' => 'spurts-frees', 'hose-top' => 'stays-stuck'], 'between', 'wheel', 'hose-top',
        ];
        yield 'the modulator' => [
            ['wheel' => 'spurts-frees', 'modulator-outlet' => 'frees', 'master-outlet' => 'stays-stuck'],
            'between', 'modulator-outlet', 'master-outlet',
        ];
        yield 'the caliper' => [['wheel' => 'dribbles-stuck'], 'at-the-wheel', null, 'wheel'];
        yield 'the wheel side of the hose top' => [['hose-top' => 'stays-stuck'], 'below', null, 'hose-top'];
        yield 'all the way up' => [
            ['wheel' => 'spurts-frees', 'master-outlet' => 'frees'], 'above', 'master-outlet', null,
        ];
        yield 'a rung above frees, one below does not' => [
            ['wheel' => 'spurts-stuck', 'hose-top' => 'frees'], 'disagree', null, 'wheel',
        ];
        yield 'a trap that would not stick says nothing' => [['wheel' => 'would-not-stick'], 'nothing', null, null];
    }

    /** The severity whose numbers come nearest: of four bypasses the one that sinks as far as was typed. */
    public function testTheNearestSeverityStandsForASuspect(): void
    {
        $field = World::field('medium-car');
        $rows = ['hold@vehicle/five', 'hold@vehicle/thirty'];
        $suspect = SuspectAt::parse('cup.bypass@primary');
        $at = static fn (array $typed): array => Likeness::of(
            $field->signature,
            $field->particles,
            $suspect,
            $rows,
            $typed,
        );
        $slight = $at(['hold@vehicle/thirty' => 9.0]);
        $bad = $at(['hold@vehicle/five' => 20.0]);
        // 5e-6·5635 kPa·29 s are 0.817 mL; at 10.33 mm of pedal to the millilitre 8.44 mm
        self::assertEqualsWithDelta(8.44, $slight['hold@vehicle/thirty'], 0.1);
        self::assertGreaterThan(15.0, $bad['hold@vehicle/five']);
        $nowhere = SuspectAt::parse('hose.leaks@front');
        self::assertSame([], Likeness::of($field->signature, $field->particles, $nowhere, $rows, []));
    }
}
