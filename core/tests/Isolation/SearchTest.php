<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Asking;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\GateBook;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** Whole searches, answered as a vehicle would that shows one thing only. */
final class SearchTest extends TestCase
{
    /** Longer than any search. */
    private const FAR = 45;

    /** What soaked a lining is told by its smell before shoes are bought for oil to run onto. */
    public function testWhatSoakedALiningIsNamedFirst(): void
    {
        // what is soaked grabs
        $shows = ['drum-look@lr/lining' => 'soaked', 'liquid@vehicle/' => 'oil', 'roller@vehicle/lr' => 'strong'];
        [$path, $end] = $this->search('locks-rear', $shows);
        $soaked = array_search('drum-look@lr', array_column($path, 0), true);
        self::assertIsInt($soaked);
        self::assertSame('liquid@vehicle', $path[$soaked + 1][0]);
        self::assertSame('axle-seal@lr', (string) $end->repair);
    }

    /**
     * Which of four rotors swings only a dial gauge tells, and there is none: the search ends without certainty, and
     * names the gauge.
     */
    public function testAToolThatWouldTellIsNamed(): void
    {
        $shakes = ['road-shake@vehicle/felt' => 'pedal', 'road-shake@vehicle/when' => 'braking'];
        $tools = [];
        foreach (World::catalogue()->checks as $check) {
            array_push($tools, ...$check->demand->tools);
        }
        $tools = array_values(array_diff(array_unique($tools), ['dial-gauge']));
        [$path, $end] = $this->search('pulses', $shakes, $tools);
        self::assertContains($end->reason, ['not-shown', 'trial']);
        self::assertSame('rotor-round', $end->others[0]->at->id);
        self::assertSame(['dial-gauge'], $end->others[0]->lacks());
        self::assertNotContains('rotor-round', array_map(
            static fn (string $at): string => CheckAt::parse($at)->id,
            array_column($path, 0),
        ));
    }

    /** What the road waits for is one check where only the wheels were not spun; being lowered is but the way there. */
    public function testARoadThatOneCheckOpens(): void
    {
        $good = ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'];
        $firm = ['sink' => 'none', 'feel' => 'firm', 'travel' => 'normal'];
        $free = array_fill_keys(['lf', 'rf', 'lr', 'rr'], 'one-finger');
        $road = fn (Lift $lift, array $read): Gate => World::catalogue()->gates->rules[GateBook::ROAD]->gate(
            new Asking(
                new Situation(new CarState($lift, true), array_map(
                    $this->reading(...),
                    array_keys($read),
                    array_values($read),
                )),
                World::catalogue()->checks,
                Place::vehicle(),
            ),
            null,
        );
        $unspun = $road(Lift::Raised, ['look@vehicle' => $good, 'pedal@vehicle' => $firm]);
        self::assertSame(['on-ground', 'free-lf', 'free-rf', 'free-lr', 'free-rr'], $unspun->unmet);
        self::assertSame('spin@vehicle', (string) $unspun->opener());
        self::assertFalse($unspun->isPrepared());
        self::assertNull($road(Lift::Raised, ['look@vehicle' => $good])->opener(), 'the pedal is wanted too');
        $spun = ['look@vehicle' => $good, 'pedal@vehicle' => $firm, 'spin@vehicle' => $free];
        self::assertSame(['on-ground'], $road(Lift::Raised, $spun)->unmet);
        self::assertTrue($road(Lift::Raised, $spun)->isPrepared());
        self::assertTrue($road(Lift::Ground, $spun)->isOpen());
        $held = ['spin@vehicle' => ['lf' => 'will-not-turn'] + $free] + $spun;
        self::assertNull($road(Lift::Raised, $held)->opener(), 'what was found held is not spun free');
        self::assertFalse($road(Lift::Raised, $held)->isPrepared());
    }

    /**
     * @param array<string, string> $shows word by row key, as often as asked; all else as a sound vehicle shows it
     * @param list<string>|null $tools that there are; null for all
     *
     * @return array{list<array{string, string}>, Verdict} checks in order with the reason of each, and the end
     */
    private function search(string $complaint, array $shows, ?array $tools = null): array
    {
        $field = World::field('medium-car');
        $opening = Opening::first($field, Context::none(), 0.15);
        $readings = ['complaint@vehicle' => $this->reading('complaint@vehicle', ['' => $complaint])];
        $path = [];
        while (true) {
            $last = end($path);
            $check = false === $last ? null : $field->knowledge->checks->of(CheckAt::parse($last[0]));
            $car = new CarState(Lift::WheelsOff, true, last: $check);
            $belief = Belief::of($field, $opening, array_values($readings));
            $verdict = Verdict::of($belief, new Situation($car, array_values($readings)), World::settings($tools));
            if (null === $verdict->next || \count($path) > self::FAR) {
                return [$path, $verdict];
            }
            $at = (string) $verdict->next->at;
            $words = [];
            foreach ($verdict->next->check->rows as $row) {
                $seen = $field->row($verdict->next->at, $row->id);
                // the first prediction of a row is a sound vehicle's
                $usual = array_search(max($seen['table'][0]), $seen['table'][0], true);
                $words[$row->id] = $shows[$at.'/'.$row->id] ?? $seen['words'][$usual];
            }
            $readings[$at] = $this->reading($at, $words, ($readings[$at]->times ?? 0) + 1);
            $path[] = [$at, $verdict->reason];
        }
    }

    /** @param array<string, string> $words */
    private function reading(string $at, array $words, int $times = 1): Reading
    {
        $when = new \DateTimeImmutable('2026-03-01');

        return new Reading($at, CheckAt::parse($at), $words, false, $when, [], new HowTaken([], $times));
    }
}
