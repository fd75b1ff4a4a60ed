<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Observer\Observer;
use Rodrel\Core\Check\Observer\Observers;
use Rodrel\Core\Check\With;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** How a row is read, by hand: rows made up here, on a car whose pads drag in their bracket with so many newtons. */
final class ObserversTest extends TestCase
{
    /** ln 1.2214 is one deviation of a fifth: 0.8413 below. Half of all vehicles show the worse word all the same. */
    public function testWords(): void
    {
        $words = ['type' => 'words', 'probe' => 'bracket-band', 'words' => ['free', 'drags'], 'sigma' => 0.2];
        $limit = ['limits' => [10.0 * exp(0.2)]];
        self::assertEqualsWithDelta([0.8413447, 0.1586553], $this->seen($words + $limit, 10.0), 1e-6);
        $three = ['words' => ['free', 'light', 'hard'], 'limits' => [10.0 * exp(-0.2), 10.0 * exp(0.4)]] + $words;
        self::assertEqualsWithDelta([0.1586553, 0.8185946, 0.0227501], $this->seen($three, 10.0), 1e-6);
        $by = ['incidental' => [0.5, 0.5]] + $words + $limit;
        self::assertEqualsWithDelta([0.4206724, 0.5793276], $this->seen($by, 10.0), 1e-6);
        $floor = ['floor' => 10.0] + $words + $limit;
        self::assertEqualsWithDelta([0.8413447, 0.1586553], $this->seen($floor, 3.0), 1e-6);
        $wrongs = [['incidental' => [0.5, 0.4]], ['incidental' => [1.0]], ['limits' => []], ['sigma' => 0.0]];
        foreach ($wrongs as $wrong) {
            $this->refused($wrong + $words + $limit);
        }
    }

    /** A scale that goes both ways: a sound car pulls to neither side, the limits are one deviation away. */
    public function testAScaleThatGoesBothWays(): void
    {
        $row = ['type' => 'signed', 'probe' => 'pull', 'with' => ['moment' => 'whole'], 'sigma' => 0.1];
        $row += ['words' => ['right', 'straight', 'left'], 'limits' => [-0.1, 0.1]];
        self::assertEqualsWithDelta([0.1586553, 0.6826894, 0.1586553], $this->seen($row, 0.0), 1e-4);
    }

    /** Odds of two signs multiply against what a vehicle shows of which nothing is known: 0.54/0.5 against 0.04/0.5. */
    public function testSigns(): void
    {
        $row = ['type' => 'sign', 'words' => ['dry', 'wet'], 'base' => [0.5, 0.5], 'ordinary' => ['wet' => 'rain']];
        $sign = $this->read($row);
        self::assertEqualsWithDelta([0.54 / 0.58, 0.04 / 0.58], $sign->together([0.9, 0.1], [0.6, 0.4]), 1e-9);
        self::assertTrue($sign->isOrdinary('wet'));
        self::assertFalse($sign->isOrdinary('dry'));
        self::assertSame('wet', $this->read(['base' => [0.3, 0.7]] + $row)->good(), 'what most vehicles show');
        self::assertSame([0.5, 0.5], $this->seen($row, 0.0));
        self::assertSame(2, $sign->signWidth());
        $wrongs = [['base' => [0.5, 0.4]], ['base' => [1.5, -0.5]], ['base' => [1.0]]];
        foreach ([...$wrongs, ['ordinary' => ['hot' => 'sun']]] as $wrong) {
            $this->refused($wrong + $row);
        }
    }

    /**
     * 0.1 of all vehicles show something, of 0.8 of them it can be told where: 0.02 nowhere, 0.04 at each of two
     * places. Of two faults what is met first is told; chances of either stay one in sum.
     */
    public function testWhereItIsSeen(): void
    {
        $row = ['type' => 'where', 'words' => ['good', 'bad', 'lf', 'rf'], 'base' => [0.9, 0.1], 'told' => 0.8];
        $where = $this->read($row);
        self::assertEqualsWithDelta([0.9, 0.02, 0.04, 0.04], $this->seen($row, 0.0), 1e-12);
        $both = $where->together([0.4, 0.2, 0.4, 0.0], [0.5, 0.1, 0.0, 0.4]);
        self::assertEqualsWithDelta([0.2, 0.22, 0.30, 0.28], $both, 1e-12);
        foreach ([['base' => [0.9, 0.2]], ['base' => [1.0]], ['words' => ['good', 'bad']]] as $wrong) {
            $this->refused($wrong + $row);
        }
        $sheet = World::catalogue()->checks->of('look');
        $level = null;
        foreach ($sheet->rows as $one) {
            $names = 'where' === $one->observer::kind() && \in_array('lf', $one->observer->words(), true);
            $level ??= $names ? $one : null;
        }
        self::assertNotNull($level, 'the look has a row that names wheels');
        $leaks = World::particle('caliper.leaks@lf');
        $subject = World::subject(World::layout());
        $asked = Asked::plainly(Place::vehicle(), null, new With());
        $signs = $level->observer->sign($leaks, $subject, $asked, $sheet, $level);
        $own = $leaks->fault->signs->of('look', $level->id);
        self::assertNotNull($own);
        self::assertNotNull($signs);
        self::assertEqualsWithDelta(1.0, array_sum($signs), 1e-9);
        self::assertEqualsWithDelta($own[0], $signs[0], 1e-12);
        $at = array_combine($level->observer->words(), $signs);
        self::assertGreaterThan(0.0, $at['lf'], 'at its own wheel');
        self::assertSame(0.0, $at['rf']);
        self::assertEqualsWithDelta($own[1] - $at['lf'], $signs[1], 1e-12, 'the rest cannot tell where');
    }

    /**
     * Limits so far away that each answer is certain: what a piston and a joint say is a matter of which of their
     * figures is past its limit.
     *
     * @param array<string, float> $limits
     * @param array<string, array<string, float>> $effects
     */
    #[DataProvider('provideCertain')]
    public function testWhatIsCertain(string $type, array $limits, array $effects, string $expected): void
    {
        $words = match ($type) {
            'push-back' => ['easy', 'slackens', 'shut', 'stuck', 'one-stuck'],
            default => isset($limits['spurt_kpa'])
                ? ['loose', 'frees', 'spurts-stuck', 'dribbles-stuck']
                : ['loose', 'frees', 'stuck'],
        };
        $more = 'opened' === $type ? ['joint' => 'wheel', 'spurt_sigma' => 0.1] : [];
        if (isset($limits['stuck'])) {
            $more['limits'] = [$limits['stuck']];
        }
        $row = ['type' => $type, 'words' => $words, 'sigma' => 0.1] + $more + array_diff_key($limits, ['stuck' => 0]);
        $seen = $this->read($row)->see(
            World::subject(World::layout())->with(new Effects($effects)),
            Asked::plainly(Place::at(Corner::LeftFront), Corner::LeftFront, new With()),
            null,
        )->chances;
        self::assertEqualsWithDelta(1.0, array_combine($words, $seen)[$expected], 1e-4);
        self::assertEqualsWithDelta(1.0, array_sum($seen), 1e-9);
    }

    /** A stuck piston of four: 0.85 one of them, 0.15 all that are felt; of a caliper with one, always all. */
    public function testOneOfSeveralPistons(): void
    {
        $push = ['moved_mm' => 1.0, 'left_share' => 0.5, 'open_n' => 100.0, 'sigma' => 0.1];
        $row = ['type' => 'push-back', 'words' => ['easy', 'slackens', 'shut', 'stuck', 'one-stuck']] + $push;
        foreach (['four-piston-estate' => [0.15, 0.85], 'medium-car' => [1.0, 0.0]] as $preset => $expected) {
            $stuck = new Effects(['brake@lf' => ['apply' => 900.0, 'hold' => 900.0]]);
            $seen = $this->read($row)->see(
                World::subject(World::layout($preset))->with($stuck),
                Asked::plainly(Place::at(Corner::LeftFront), Corner::LeftFront, new With()),
                null,
            )->chances;
            self::assertEqualsWithDelta($expected, \array_slice($seen, 3), 1e-4, $preset);
        }
    }

    /** @return iterable<string, array{string, array<string, float>, array<string, array<string, float>>, string}> */
    public static function provideCertain(): iterable
    {
        $push = ['moved_mm' => 1.0, 'left_share' => 0.5, 'open_n' => 100.0];
        yield 'a sound piston' => ['push-back', $push, ['brake@lf' => ['friction' => 0.38]], 'easy'];
        yield 'a stuck one' => ['push-back', $push, ['brake@lf' => ['apply' => 900.0, 'hold' => 900.0]], 'stuck'];
        yield 'a hose that lets by slowly' => ['push-back', $push, ['hose@lf' => ['gr' => 2e-4]], 'slackens'];
        yield 'a hose that is shut' => ['push-back', $push, ['hose@lf' => ['gr' => 1e-6]], 'shut'];
        $trap = ['hose@lf' => ['gr' => 1e-5]];
        $held = ['brake@lf' => ['apply' => 900.0, 'hold' => 900.0]];
        $joint = ['stuck' => 50.0, 'spurt_kpa' => 300.0];
        yield 'nothing sticks' => ['opened', $joint, ['brake@lf' => ['friction' => 0.38]], 'loose'];
        yield 'what a hose holds' => ['opened', $joint, $trap, 'frees'];
        yield 'what a piston holds, without pressure' => ['opened', $joint, $held, 'dribbles-stuck'];
        yield 'both' => ['opened', $joint, $trap + $held, 'spurts-stuck'];
        yield 'both, and nobody watches' => ['opened', ['stuck' => 50.0], $trap + $held, 'stuck'];
    }

    /** Whether it has gone: what is left of the chance is that it has not. */
    public function testWhetherADriverStillComplains(): void
    {
        $drags = World::subject(World::layout())->with(new Effects(['brake@lf' => ['extra_drag' => 25.0]]));
        $row = $this->read(['type' => 'still', 'words' => ['gone', 'still']]);
        $asked = Asked::plainly(Place::vehicle(), null, new With());
        $still = $drags->stillComplains();
        self::assertSame([1.0 - $still, $still], $row->see($drags, $asked, null)->chances);
    }

    public function testRowsThatCannotBe(): void
    {
        $this->refused(['type' => 'push-back', 'words' => ['a', 'b'], 'sigma' => 0.1, 'moved_mm' => 1, 'open_n' => 1]);
        $this->refused(['type' => 'opened', 'words' => ['a', 'b'], 'joint' => 'wheel', 'limits' => [1]]);
        $this->refused(['type' => 'dreamt', 'words' => ['a', 'b']]);
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return list<float>
     */
    private function seen(array $row, float $bracketN): array
    {
        $subject = World::subject(World::layout())->with(new Effects(['brake@lf' => ['bracket' => $bracketN]]));
        $observer = $this->read($row);

        return $observer->see(
            $subject,
            Asked::plainly(Place::at(Corner::LeftFront), Corner::LeftFront, $observer->with()),
            null,
        )->chances;
    }

    /** @param array<string, mixed> $row */
    private function read(array $row): Observer
    {
        return (new Observers(World::catalogue()->complaints, []))->read(new Shape($row));
    }

    /** @param array<string, mixed> $row */
    private function refused(array $row): void
    {
        try {
            $this->read($row);
            self::fail('It was read: '.json_encode($row));
        } catch (InvalidData $refused) {
            self::assertNotSame('', $refused->path);
        }
    }
}
