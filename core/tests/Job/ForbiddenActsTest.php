<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Job;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Tests\World;

/**
 * Thousands of jobs in which anything is tried: what was let through is held against a table of what nobody may do. The
 * table is written here, from the trade, and asks the core nothing; it knows the log and the catalogue's text only.
 */
final class ForbiddenActsTest extends TestCase
{
    private const JOBS = 2000;
    private const ACTS = 14;
    private const UNDER = ['raised', 'wheels-off'];
    private const TAKES_APART = [
        'pins' => 'caliper', 'push-back' => 'caliper', 'push-force' => 'caliper', 'drum-look' => 'drum',
        'chalk' => 'drum', 'hat-look' => 'rotor', 'master-eased' => 'master', 'relay-out' => 'relay',
    ];
    private const PRESSES = [
        'pedal', 'spin', 'spin-later', 'spin-series', 'spin-hard', 'spin-hot', 'free-after', 'engine', 'relay-out',
        'pump', 'bleeder-open', 'hose-top', 'modulator-outlet', 'master-outlet', 'master-eased', 'hose-feel',
        'pads-finger', 'reservoir', 'gauge', 'roller', 'pull', 'lock-up', 'first-stroke',
    ];
    private const DRIVES = ['pull', 'lock-up', 'heat-loop', 'brake-loop', 'complaint-again'];
    private const OPENS = [
        'bleeder-open', 'hose-top', 'modulator-outlet', 'master-outlet', 'line-runs', 'gauge', 'push-back',
        'push-force', 'master-eased', 'relay-out',
    ];
    private const ON_A_TRAP = ['bleeder-open', 'hose-top', 'modulator-outlet', 'master-outlet', 'master-eased'];
    private const HELD = ['one-hand', 'two-hands', 'will-not-turn'];

    public function testNothingForbiddenIsLetThrough(): void
    {
        $let = 0;
        for ($job = 0; $job < self::JOBS; ++$job) {
            $let += $this->job(new Randomizer(new Mt19937($job)), "job $job");
        }
        self::assertGreaterThan(2 * self::JOBS, $let, 'enough was let through to be worth looking at');
    }

    private function job(Randomizer $chance, string $name): int
    {
        $log = [];
        $seen = $apart = [];
        $lift = 'ground';
        $stands = $opened = false;
        $hot = 1 === $chance->getInt(0, 5);
        $let = 0;
        $try = static function (Kind $kind, array $payload) use (&$log): bool {
            $seq = \count($log) + 1;
            $at = new \DateTimeImmutable("2026-03-01 08:00:00 +$seq minutes");
            $entry = new Entry("e$seq", $seq, $kind->read($payload), 'anna', $at);
            try {
                Rule::check(World::state($log), $entry);
            } catch (Refused|InvalidData) {
                return false;
            }
            $log[] = $entry;

            return true;
        };
        $try(Kind::Intake, ['complaint' => 'drags-lf', 'hot' => $hot]);
        $checks = World::documents()['checks']['checks'];
        for ($act = 0; $act < self::ACTS; ++$act) {
            $what = 0 === $act ? $chance->getInt(0, 4) : $chance->getInt(0, 9);
            if ($what < 2) {
                $lift = ['ground', 'raised', 'wheels-off', 'wheels-off'][$chance->getInt(0, 3)];
                $stands = 'ground' !== $lift && $chance->getInt(0, 3) > 0;
                $try(Kind::Lift, ['to' => $lift, 'stands' => $stands]);
                continue;
            }
            if (2 === $what) {
                $hot = $try(Kind::Cool, []) ? false : $hot;
                continue;
            }
            if (3 === $what && [] !== $apart) {
                $one = array_key_first($apart);
                self::assertTrue($try(Kind::Together, ['what' => $one]), $name);
                unset($apart[$one]);
                continue;
            }
            $check = $checks[$chance->getInt(0, \count($checks) - 1)];
            $wheel = ['lf', 'lr', 'rf', 'rr'][$chance->getInt(0, 3)];
            $place = match ($check['places']) {
                'vehicle', 'assist' => 'vehicle',
                'circuit' => 'primary',
                default => $wheel,
            };
            $words = $this->words($check, $chance);
            if ([] === $words || !$try(Kind::Reading, ['check' => "{$check['id']}@$place", 'outcomes' => $words])) {
                continue;
            }
            ++$let;
            $id = $check['id'];
            $said = "$name: $id@$place after ".json_encode([$lift, $stands, $hot, $apart, $opened, $seen]);
            if (\in_array($check['state'], self::UNDER, true)) {
                self::assertContains($lift, self::UNDER, $said);
                self::assertTrue($stands, $said);
                self::assertFalse($hot, $said);
            }
            if (\in_array($id, self::PRESSES, true)) {
                self::assertSame([], $apart, $said);
            }
            if (\in_array($id, ['pump', 'pedal'], true)) {
                self::assertNotSame('empty', $seen['look/level'] ?? '', $said);
            }
            if (\in_array($id, self::ON_A_TRAP, true)) {
                $told = array_map(
                    static fn (string $spin): string => $seen["$spin/$place"] ?? '',
                    ['spin', 'spin-later', 'spin-hard', 'spin-hot'],
                );
                self::assertNotSame([], array_intersect($told, self::HELD), $said);
            }
            if (\in_array($id, self::DRIVES, true)) {
                self::assertSame('ground', $lift, $said);
                self::assertFalse($hot, $said);
                self::assertFalse($opened, $said);
                self::assertSame([], $apart, $said);
                foreach (['look/wet' => 'good', 'pedal/sink' => 'none', 'pedal/feel' => 'firm'] as $row => $good) {
                    self::assertSame($good, $seen[$row] ?? '', $said);
                }
                self::assertSame('good', $seen['look/level'] ?? '', $said);
                self::assertNotSame('bad', $seen['look/lamp'] ?? 'bad', $said);
                foreach (['engine/on', 'engine/off', 'relay-out/vented', 'relay-out/hand-pump'] as $row) {
                    self::assertNotContains($seen[$row] ?? '', ['two-hands', 'will-not-turn'], $said);
                }
                foreach (['lf', 'rf', 'lr', 'rr'] as $wheel) {
                    self::assertContains($seen["turns/$wheel"] ?? '', ['one-finger', 'one-hand'], $said);
                    self::assertNotContains($seen["spin-later/$wheel"] ?? '', ['two-hands', 'will-not-turn'], $said);
                    self::assertNotContains($seen["free-after/$wheel"] ?? '', ['minutes', 'not-free'], $said);
                    self::assertNotSame('locks', $seen["lock-up/$wheel"] ?? '', $said);
                }
            }
            foreach ($words as $row => $word) {
                $seen["$id/$row"] = $word;
                if (\in_array($id, ['spin', 'spin-later', 'spin-hot'], true) && !isset($seen["spin-hard/$row"])) {
                    $seen["turns/$row"] = 'spin' === $id || !isset($seen["spin/$row"]) ? $word : $seen["turns/$row"];
                } elseif ('spin-hard' === $id) {
                    $seen["turns/$row"] = $word;
                }
            }
            $opened = $opened || \in_array($id, self::OPENS, true);
            if (isset(self::TAKES_APART[$id])) {
                $apart[self::TAKES_APART[$id].'@'.$place] = true;
            }
        }

        return $let;
    }

    /**
     * Random words, the good ones oftener, a row left open now and then.
     *
     * @param array<string, mixed> $check
     *
     * @return array<string, string>
     */
    private function words(array $check, Randomizer $chance): array
    {
        $rows = $check['rows'] ?? [];
        foreach (isset($check['each_corner']) ? ['lf', 'rf', 'lr', 'rr'] : [] as $wheel) {
            $rows[$wheel] = $check['each_corner'];
        }
        if (isset($check['observer'])) {
            $rows[''] = $check['observer'];
        }
        $words = [];
        foreach ($rows as $row => $observer) {
            $known = $observer['words'] ?? [];
            if ([] !== $known && $chance->getInt(0, 11) > 0) {
                $words[$row] = $known[$chance->getInt(0, 2) > 0 ? 0 : $chance->getInt(0, \count($known) - 1)];
            }
        }

        return $words;
    }
}
