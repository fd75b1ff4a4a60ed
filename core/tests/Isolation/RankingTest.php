<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Planner;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** What is left out of the ranking, and what counts less the second time. */
final class RankingTest extends TestCase
{
    /** What is looked at first is looked at first; after anything else it is one look among others. */
    public function testAFirstLookIsCalledSoWhileNothingElseWasMade(): void
    {
        $verdict = function (string ...$made): Verdict {
            $log = [$this->entry(1, Kind::Intake, ['complaint' => 'pulls-left', 'parts' => []])];
            foreach ($made as $check => $word) {
                $log[] = $this->entry(1 + \count($log), Kind::Lift, ['to' => 'raised', 'stands' => true]);
                $says = ['check' => $check, 'outcomes' => ['' => $word]];
                $log[] = $this->entry(1 + \count($log), Kind::Reading, $says);
            }

            return World::diagnosis(World::state($log))->verdict();
        };
        $first = $verdict();
        self::assertSame(['first-look', 'look@vehicle'], [$first->reason, (string) $first->next?->at]);
        $later = $verdict(...['hose-feel@lf' => 'stays-firm']);
        self::assertSame('opening', $later->reason);
    }

    /** The left front is held and the others turn: nobody takes the other wheels off to look. */
    public function testNobodyLooksIntoAWheelThatTurns(): void
    {
        $spun = ['lf' => 'will-not-turn', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'];
        $state = World::state([
            $this->entry(1, Kind::Intake, ['complaint' => 'drags-lf', 'parts' => []]),
            $this->entry(2, Kind::Lift, ['to' => 'wheels-off', 'stands' => true]),
            $this->entry(3, Kind::Reading, ['check' => 'spin@vehicle', 'outcomes' => $spun]),
        ]);
        $planner = new Planner(World::diagnosis($state)->belief, World::settings());
        $wheels = $others = [];
        foreach ($planner->rank($state->situation, static fn (): bool => true) as $proposal) {
            if (null !== $proposal->at->place->corner()) {
                $off = Lift::WheelsOff === $proposal->check->demand->lift;
                $off ? $wheels[$proposal->at->place->id] = true : $others[$proposal->at->place->id] = true;
            }
        }
        self::assertSame(['lf'], array_keys($wheels));
        self::assertArrayHasKey('rf', $others, 'what is seen with the wheel on may be seen there too');
    }

    /**
     * Two looks at the temperature of one drive share the error of that drive: the second is worth what its own noise
     * tells, 1 − (common / noise)².
     */
    public function testWhatSharesAnErrorTellsLessTheSecondTime(): void
    {
        $field = World::field('medium-car');
        $newness = new \ReflectionMethod(Planner::class, 'newness');
        $spin = $field->knowledge->checks->of('spin');
        $of = static fn (Belief $belief): float => $newness->invoke(
            new Planner($belief, World::settings()),
            $spin,
            Place::vehicle(),
            ['lf'],
        );
        $row = $field->row($spin->at(Place::vehicle()), 'lf');
        self::assertSame('hand', $row['cause']);
        $opening = Opening::first($field, Context::none(), 0.15);
        $later = new Reading(
            's',
            CheckAt::parse('spin-later@vehicle'),
            ['lf' => 'one-finger'],
            false,
            new \DateTimeImmutable('2026-03-01'),
        );
        self::assertSame(1.0, $of(Belief::of($field, $opening, [])));
        self::assertSame('hand', $field->row(CheckAt::parse('spin-later@vehicle'), 'lf')['cause']);
        // a hand's own error of 0.25 in a noise of so much
        self::assertSame(0.25, $row['common']);
        self::assertEqualsWithDelta(
            1.0 - (0.25 / $row['noise']) ** 2,
            $of(Belief::of($field, $opening, [$later])),
            1e-12,
        );
    }

    /** @param array<string, mixed> $says */
    private function entry(int $seq, Kind $kind, array $says): Entry
    {
        $at = new \DateTimeImmutable("2026-03-01 08:00:00 +$seq minutes");

        return new Entry("e$seq", $seq, $kind->read($says), 'anna', $at);
    }
}
