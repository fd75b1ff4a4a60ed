<?php

declare(strict_types=1);

namespace App\Tests\Scenario;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** The first five proposals of a job are ones that a technician would sign: `openings.json`. */
final class OpeningsTest extends TestCase
{
    private const LOOKED_AT = 5;

    /**
     * @param list<string> $acceptable
     * @param array<string, mixed> $arrival what else the intake says
     * @param list<string> $not
     * @param list<string> $unspun not before the wheels were spun
     */
    #[DataProvider('provideOpenings')]
    public function testTheFirstFiveProposals(
        string $preset,
        string $complaint,
        string $suspect,
        array $arrival,
        array $acceptable,
        array $not,
        array $unspun,
    ): void {
        $of = \count(array_filter(
            World::field($preset)->particles,
            static fn ($particle): bool => $particle->suspect->is($suspect),
        ));
        $vehicle = HiddenVehicle::with(World::field($preset), $suspect, intdiv($of, 2), new Mt19937(3));
        $log = [];
        $write = static function (Kind $kind, array $payload) use (&$log): void {
            $seq = \count($log) + 1;
            $at = new \DateTimeImmutable("2026-03-01 08:00:00 +$seq minutes");
            $log[] = new Entry("e$seq", $seq, $kind->read($payload), 'anna', $at);
        };
        $write(Kind::Intake, ['complaint' => $complaint] + $arrival);
        $asked = [];
        while (\count($asked) < self::LOOKED_AT) {
            $state = World::state($log, $preset);
            $verdict = World::diagnosis($state, $preset)->verdict();
            if (null === $verdict->next) {
                break;
            }
            $asked[] = (string) $verdict->next->at;
            $said = "$preset, $complaint, $suspect: ".implode(', ', $asked);
            self::assertNotContains($verdict->next->at->id, $not, $said);
            if (!$state->situation->spun(World::catalogue()->checks)) {
                self::assertNotContains($verdict->next->at->id, $unspun, $said);
            }
            self::assertContains($verdict->next->at->id, $acceptable, $said);
            $held = $state->situation->held(World::catalogue()->checks);
            self::assertTrue($this->isAtAHeldWheel($verdict, $held), $said);
            foreach (array_keys($state->situation->car->apart) as $what) {
                $write(Kind::Together, ['what' => $what]);
            }
            $write(Kind::Lift, ['to' => match ($verdict->next->check->demand->lift->value) {
                'any' => $state->situation->car->lift->value,
                default => $verdict->next->check->demand->lift->value,
            }, 'stands' => true]);
            $words = $numbers = [];
            foreach ($vehicle->answer($verdict->next->at) as $row => $answer) {
                if (\is_float($answer)) {
                    $numbers[$row] = ['typed' => (string) $answer, 'unit' => '', 'core' => $answer];
                } else {
                    $words[$row] = $answer;
                }
            }
            $write(Kind::Reading, [
                'check' => (string) $verdict->next->at,
                'outcomes' => $words,
                'numbers' => $numbers,
            ]);
        }
        // what is spent by looking for it comes before the look: heat of the way, vacuum of the night
        $before = array_diff($asked, ['heat-arrival@vehicle', 'strokes-cold@vehicle']);
        if (World::catalogue()->checks->all['look']->places->has(World::layout($preset), Place::vehicle())) {
            self::assertSame('look@vehicle', $before[array_key_first($before)] ?? null);
            self::assertLessThan(2, array_search('look@vehicle', $asked, true));
        }
    }

    /**
     * @return iterable<string, array{string, string, string, array<string, mixed>, list<string>, list<string>,
     *     list<string>}>
     */
    public static function provideOpenings(): iterable
    {
        $data = json_decode((string) file_get_contents(__DIR__.'/openings.json'), true);
        foreach ($data['openings'] as $row) {
            foreach ($row['complaints'] as $complaint => $suspects) {
                foreach ($suspects as $suspect) {
                    foreach (array_keys(World::catalogue()->presets) as $preset) {
                        $at = SuspectAt::parse($suspect);
                        $places = World::catalogue()->faults->of($at)->places;
                        $layout = World::layout($preset);
                        $here = ($row['on'] ?? $layout->reach()->value) === $layout->reach()->value;
                        if ($here && $places->has($layout, $at->place) && self::isDue($preset)) {
                            $arrival = [
                                'driven_in' => $row['driven_in'],
                                'stood' => $row['stood'] ?? false,
                                'pattern' => $row['pattern'] ?? '',
                                'parts' => $row['fitted'] ?? [],
                            ];
                            $more = implode(' ', array_filter([
                                '' === $arrival['pattern'] ? '' : ' '.$arrival['pattern'],
                                [] === $arrival['parts'] ? '' : ' after a part',
                            ]));
                            yield "$preset $complaint $suspect$more" => [
                                $preset,
                                $complaint,
                                $suspect,
                                $arrival,
                                [...$row['acceptable'], ...$data['first_of_kind'][$layout->reach()->value] ?? []],
                                $row['not'],
                                $row['not_before_spin'] ?? [],
                            ];
                        }
                    }
                }
            }
        }
    }

    /** Kinds put together from parts open as those they are like: all of them where everything is asked for. */
    private static function isDue(string $preset): bool
    {
        return !isset(World::catalogue()->presets[$preset]['parts'])
            || Reach::Foot !== World::layout($preset)->reach()
            || World::isAsked();
    }

    /** @param list<Corner> $held */
    private function isAtAHeldWheel(Verdict $verdict, array $held): bool
    {
        $place = $verdict->next?->at->place;
        if ([] === $held || null === $place?->corner()) {
            return true;
        }

        return [] !== array_filter($held, static fn (Corner $wheel): bool => $place->covers(Place::at($wheel)));
    }
}
