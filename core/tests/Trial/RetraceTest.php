<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Advised;
use Rodrel\Core\Trial\Move;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Trial\Retrace;
use Rodrel\Core\Trial\Rigged;
use Rodrel\Core\Trial\Visit;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** What a debrief may say of somebody's moves: never what only the answer told, never that a look was a waste. */
final class RetraceTest extends TestCase
{
    private const TRUTH = 'hose@lf';

    /** @var list<Entry> */
    private array $log = [];

    protected function setUp(): void
    {
        $this->write(Kind::Intake, ['complaint' => 'drags-lf']);
    }

    public function testWhoDoesWhatWasBestLosesNothing(): void
    {
        $vehicle = $this->vehicle();
        for ($n = 0; $n < 12; ++$n) {
            $verdict = World::diagnosis(World::state($this->log))->verdict();
            if (null !== $verdict->repair || null === $verdict->next) {
                break;
            }
            $this->lift($verdict->next->check->demand->lift->value);
            $this->read((string) $verdict->next->at, $vehicle->answer($verdict->next->at));
        }
        $retrace = $this->retrace();
        self::assertGreaterThan(3, \count($retrace->moves));
        self::assertSame([], $retrace->costliest(3));
        self::assertGreaterThan(0.7, \array_slice($retrace->moves, -1)[0]->truthAfter);
        $spent = array_sum(array_map(static fn (Move $one): float => $one->mine->minutes, $retrace->moves));
        self::assertEqualsWithDelta($spent, $retrace->minutes, 1e-9);
    }

    public function testWhatCouldChangeNothingIsNamedWithWhatWouldHaveToldMore(): void
    {
        $this->lift('raised');
        $free = array_fill_keys(['rf', 'lr', 'rr'], 'one-finger');
        $this->read('spin@vehicle', ['lf' => 'will-not-turn'] + $free);
        $this->read('vacuum-hose-look@vehicle', ['' => 'dry']);
        $this->read('look@vehicle', ['level' => 'good', 'wet' => 'good', 'lamp' => 'good']);
        $costly = $this->retrace()->costliest(3);
        $named = array_map(static fn (Move $one): string => $one->mine->check, $costly);
        self::assertSame(['vacuum-hose-look@vehicle'], $named, 'the first look is never a waste');
        self::assertLessThan($costly[0]->best->bits ?? 0.0, $costly[0]->mine->bits);
    }

    public function testAWrongRepairIsPaidForAndASlipThatWasTakenBackIsNot(): void
    {
        $this->lift('raised');
        $this->read('steering-look@vehicle', ['' => 'play']);
        $this->write(Kind::Undo, ['cancels' => end($this->log)->id]);
        self::assertSame([], $this->retrace()->moves);
        foreach (['caliper@lf', self::TRUTH] as $group) {
            $this->write(Kind::Finding, ['group' => $group, 'sentence' => '', 'mass' => 0.5, 'readings' => []]);
            $this->write(Kind::Repaired, ['group' => $group, 'sheet' => end($this->log)->id]);
        }
        $this->read('look@vehicle', ['level' => 'good']);
        $retrace = $this->retrace();
        self::assertSame(['caliper@lf'], $retrace->wrong);
        self::assertTrue($retrace->cured);
        self::assertSame([], $retrace->moves, 'what follows the cure is the proof');
        // the caliper's typical 115, an hour at 60, a quarter of a litre at 10 a litre, no comeback charged here
        self::assertEqualsWithDelta(11500.0 + 6000.0 + 250.0, $retrace->wrongCents, 1e-9);
    }

    public function testTheAdvicePlaysTheSameVehicle(): void
    {
        $vehicle = $this->vehicle();
        $field = World::field('medium-car');
        $told = $this->log[0]->payload;
        self::assertInstanceOf(IntakePayload::class, $told);
        $rigged = new Rigged(
            $told,
            new Visit($told->arrival, [], World::settings(), new \DateTimeImmutable('2026-03-02 08:00')),
            GroupAt::parse(self::TRUTH),
            static fn (CheckAt $at): array => $vehicle->answer($at),
        );
        $play = new Play(World::catalogue(), World::layout('medium-car'), World::sound('medium-car'), $field, $rigged);
        $walked = $rigged->walk(new Advised(), $play);
        self::assertSame(self::TRUTH, $walked['signed']);
        self::assertTrue($walked['right']);
        self::assertGreaterThan(5.0, $walked['minutes']);
        self::assertSame($play->path, $walked['checks']);
    }

    private function vehicle(): HiddenVehicle
    {
        return HiddenVehicle::with(World::field('medium-car'), 'hose.one-way@lf', 2, new Mt19937(7));
    }

    private function retrace(): Retrace
    {
        return Retrace::of(
            World::catalogue(),
            World::layout('medium-car'),
            World::sound('medium-car'),
            World::field('medium-car'),
            World::settings(),
            $this->log,
            GroupAt::parse(self::TRUTH),
        );
    }

    private function lift(string $to): void
    {
        if ('any' !== $to) {
            $this->write(Kind::Lift, ['to' => $to, 'stands' => 'ground' !== $to]);
        }
    }

    /** @param array<string, string|float> $answers */
    private function read(string $check, array $answers): void
    {
        $words = array_filter($answers, is_string(...));
        $numbers = array_map(
            static fn (float $one): array => ['typed' => "$one", 'unit' => '', 'core' => $one],
            array_filter($answers, is_float(...)),
        );
        $this->write(Kind::Reading, ['check' => $check, 'outcomes' => $words, 'numbers' => $numbers]);
        self::assertInstanceOf(ReadingPayload::class, end($this->log)->payload);
    }

    /** @param array<string, mixed> $payload */
    private function write(Kind $kind, array $payload): void
    {
        $seq = \count($this->log) + 1;
        $at = new \DateTimeImmutable("2026-03-02 08:00:00 +$seq minutes");
        $this->log[] = new Entry("e$seq", $seq, $kind->read($payload), 'ann', $at);
    }
}
