<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Rules\Rule;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Tests\World;

/** What is done now, rule by rule, on jobs told as a technician would tell them. */
final class RulesTest extends TestCase
{
    private const GOOD = ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'];

    /** The last rule always says something, and every rule is asked once. */
    public function testTheirOrder(): void
    {
        $names = array_map(
            static fn (Rule $rule): string => substr((string) strrchr($rule::class, '\\'), 1),
            Verdict::rules(),
        );
        self::assertSame(array_unique($names), $names);
        self::assertSame('FirstLook', $names[0]);
        self::assertSame('NotShown', end($names));
        self::assertLessThan(array_search('Split', $names, true), array_search('LetGo', $names, true));
        self::assertLessThan(array_search('Signed', $names, true), array_search('CheapFirst', $names, true));
    }

    /** The owner came from another car: its own checks are sound, and nothing is taken apart. */
    public function testASoundVehicleIsLetGo(): void
    {
        [$verdict, $made] = $this->play('pedal-spongy', []);
        self::assertSame('not-shown', $verdict->reason);
        self::assertNull($verdict->repair);
        self::assertLessThanOrEqual(9, \count($made));
        self::assertSame([], array_intersect(['pads-look', 'drum-look', 'bubbles', 'plug-master'], $made));
        self::assertContains('helper-watch', $made, 'one of its own checks');
    }

    /** A pedal that sank is never sent home as sound. */
    public function testASeriousComplaintStays(): void
    {
        [$verdict] = $this->play('pedal-sinks', []);
        self::assertNotSame('not-shown', $verdict->reason);
    }

    /** A wire seen cut explains a wear lamp: no second look, nothing to confirm it. */
    public function testACauseThatIsSeenEndsTheSearch(): void
    {
        [$verdict, $made] = $this->play('lamp-wear', ['pad-wire' => ['' => 'cut-or-off']]);
        self::assertSame(['seen', 'pad-wire@front'], [$verdict->reason, (string) $verdict->repair]);
        self::assertSame('pad-wire', end($made));
        self::assertSame(array_unique($made), $made, 'nothing was looked at twice');
    }

    /** A hose is looked at before its bleeder is opened. */
    public function testLooksComeBeforeOpening(): void
    {
        [, $made] = $this->play('drags-lf', [
            'spin' => ['lf' => 'two-hands'],
            'spin-later' => ['lf' => 'two-hands'],
            'spin-series' => ['lf' => 'two-hands'],
            'free-after' => ['lf' => 'minutes'],
            'push-back' => ['' => 'hard-shut-easy-open'],
            'bleeder-open' => ['' => 'spurts-frees'],
            'hose-top' => ['' => 'stays-stuck'],
        ]);
        $bleeder = array_search('bleeder-open', $made, true);
        self::assertNotFalse($bleeder);
        self::assertContains('hose-look', \array_slice($made, 0, (int) $bleeder));
    }

    /** After a repair the complaint's own checks come again before anybody says that nothing is wrong. */
    public function testAfterARepairTheOwnChecksComeAgain(): void
    {
        $log = [
            $this->entry(1, Kind::Intake, ['complaints' => ['lamp-wear'], 'parts' => []]),
            $this->entry(2, Kind::Reading, ['check' => 'look@vehicle', 'outcomes' => self::GOOD]),
            $this->entry(3, Kind::Reading, ['check' => 'pad-wire@front', 'outcomes' => ['' => 'cut-or-off']]),
            $this->entry(4, Kind::Finding, [
                'group' => 'pad-wire@front', 'sentence' => '', 'mass' => 0.9, 'second' => 0.0, 'readings' => [],
                'arguments' => [], 'against' => '', 'catalogue' => '', 'signature' => '',
            ]),
            $this->entry(5, Kind::Repaired, ['group' => 'pad-wire@front', 'sheet' => 'e4']),
        ];
        $verdict = World::diagnosis(World::state($log))->verdict();
        self::assertSame('after-repair', $verdict->reason);
        self::assertContains($verdict->next?->at->id, ['pads-left', 'pad-wire']);
    }

    /**
     * Follows the advice on a vehicle that shows what is given, and else what a sound one shows.
     *
     * @param array<string, array<string, string>> $shows word by row, by check
     *
     * @return array{Verdict, list<string>} the end, and the ids of checks made
     */
    private function play(string $complaint, array $shows): array
    {
        $field = World::field('medium-car');
        $log = [$this->entry(1, Kind::Intake, ['complaints' => [$complaint], 'pattern' => 'always', 'parts' => []])];
        $made = [];
        while (true) {
            $state = World::state($log);
            $verdict = World::diagnosis($state)->verdict();
            if (null === $verdict->next || \count($made) > 30) {
                return [$verdict, $made];
            }
            foreach (array_keys($state->situation->car->apart) as $what) {
                $log[] = $this->entry(1 + \count($log), Kind::Together, ['what' => $what]);
            }
            $lift = $verdict->next->check->demand->lift->value;
            if ('any' !== $lift) {
                $log[] = $this->entry(1 + \count($log), Kind::Lift, ['to' => $lift, 'stands' => true]);
            }
            $words = [];
            foreach ($verdict->next->check->rows as $row) {
                $words[$row->id] = $shows[$verdict->next->at->id][$row->id]
                    ?? $field->usual($verdict->next->at->row($row->id));
            }
            $says = ['check' => (string) $verdict->next->at, 'outcomes' => $words];
            $log[] = $this->entry(1 + \count($log), Kind::Reading, $says);
            $made[] = $verdict->next->at->id;
        }
    }

    /** @param array<string, mixed> $says */
    private function entry(int $seq, Kind $kind, array $says): Entry
    {
        $at = new \DateTimeImmutable("2026-03-01 08:00:00 +$seq minutes");

        return new Entry("e$seq", $seq, $kind->read($says), 'anna', $at);
    }
}
