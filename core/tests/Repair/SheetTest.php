<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Repair;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Repair\SheetStep;
use Rodrel\Core\Repair\Step;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** One sheet for all that a visit changes. */
final class SheetTest extends TestCase
{
    /** How many visits of each vehicle are drawn. */
    private const VISITS = 60;

    /** A procedure alone is the sheet that it always was: same steps, same order, same names. */
    public function testOnePartAlone(): void
    {
        $repairs = World::catalogue()->repairs;
        foreach (['medium-car', 'old-saloon', 'air-disc-lorry', 'wet-disc-loader'] as $preset) {
            $layout = self::vehicle($preset);
            foreach (World::catalogue()->faults->repairsIn($layout) as $group) {
                $procedure = $repairs->procedureOf($group);
                $sheet = Sheet::of($repairs, $layout, [$group]);
                $steps = $sheet->steps;
                $ids = array_values(array_map(
                    static fn (Step $step): string => $step->id,
                    array_filter($procedure->steps, static fn (Step $step): bool => $step->isFor('')),
                ));
                $instead = $repairs->visit->instead[$layout->reach()->value] ?? [];
                $ids = array_map(static fn (string $id): string => $instead[$id] ?? $id, $ids);
                if ($procedure->eachWheel && null === $group->place->corner()) {
                    // an axle: what is done at the other side stands in lines of its own
                    $left = array_diff($ids, ['other-side-too']);
                    self::assertEqualsCanonicalizing($left, array_unique(self::ids($sheet)), (string) $group);
                } else {
                    self::assertSame($ids, self::ids($sheet), (string) $group);
                }
                foreach ($steps as $line) {
                    foreach ($line->names as $names) {
                        self::assertContains($line->step->id, $names, 'an old tick is read');
                    }
                }
            }
        }
    }

    /**
     * A caliper with its hose, both front rotors and both sides' pads: 19 + 15 + 18 + 16 steps of four sheets. Wheels,
     * photograph, comparison, wiping, plugs are one; so are bracket, hub face, pins, pads, slide bolts, banjo and seat;
     * the old caliper is not hung up on the side where it goes, the hose does not change over, and a pedal is pressed
     * by the bleed run.
     */
    public function testACaliperWithWhatGoesWithIt(): void
    {
        $sheet = self::sheet('medium-car', 'caliper@lf', 'hose@lf', 'rotor@front', 'pads@front');
        $steps = self::ids($sheet);
        self::assertSame(array_unique($steps), $steps, 'nothing is asked for twice');
        // less what the shop's school does not do: the pedal propped, a film under the cap
        self::assertLessThanOrEqual(39, \count(array_diff($steps, ['pedal-propped', 'cap-filmed'])));
        foreach (['change-over', 'pedal-high'] as $gone) {
            self::assertNotContains($gone, $steps);
        }
        self::assertSame(['rf'], array_keys(self::line($sheet, 'caliper-hung')->names));
        self::assertSame(['bracket-bolts', 'bracket-bolts@rf'], self::line($sheet, 'bracket-bolts')->written());
        self::assertSame(['banjo'], self::line($sheet, 'banjo')->written());
        self::assertSame(['wheel', 'wheel@rf'], self::line($sheet, 'wheel')->written());
        // what needs no opening comes before the first joint: the old rotor is off before fluid can drip on it
        $order = array_flip($steps);
        foreach (['crack-banjo', 'bracket-off', 'rotor-away', 'pins-clean'] as $before) {
            self::assertLessThan($order['open-top'], $order[$before], $before);
        }
        foreach (['banjo', 'top-nut', 'wipe-down'] as $after) {
            self::assertGreaterThan($order['open-bottom'], $order[$after], $after);
        }
        $counts = array_column($sheet->prepare, 'count', 'id');
        // caliper and hose meet at one banjo, with a washer on both of its sides; one pipe end is plugged
        self::assertSame([2, 1, 1], [$counts['sealing-washers'], $counts['line-plug'], $counts['catch-tray']]);
    }

    /**
     * The other side's hose too: two banjos, two pipe ends, counted back as they were put in. A banjo is loosened while
     * its caliper is bolted on, the pads are eased over the lip before the bracket comes off, new pads are compared and
     * not judged as old ones, and only the side that keeps its caliper has a piston to push back.
     */
    public function testBothSides(): void
    {
        $sheet = self::sheet('medium-car', 'caliper@rf', 'pads@front', 'hose@rf', 'hose@lf');
        $counts = array_column($sheet->prepare, 'count', 'id');
        self::assertSame([4, 2], [$counts['sealing-washers'], $counts['line-plug']]);
        self::assertSame(4, self::line($sheet, 'banjo')->count);
        self::assertSame(2, self::line($sheet, 'plugs-back')->count);
        $steps = self::ids($sheet);
        $order = array_flip($steps);
        self::assertLessThan($order['caliper-hung'], $order['crack-banjo'], 'although the pads are the earlier line');
        self::assertLessThan($order['bracket-off'], $order['crack-banjo']);
        self::assertLessThan($order['bracket-off'], $order['ease-pads']);
        self::assertSame(['lf', 'rf'], array_keys(self::line($sheet, 'crack-banjo')->names));
        self::assertSame(['lf'], array_keys(self::line($sheet, 'caliper-hung')->names));
        self::assertSame(['lf'], array_keys(self::line($sheet, 'piston-back')->names));
        self::assertContains('pads-compared', $steps);
        foreach (['pads-scuffed', 'hose-untwisted'] as $gone) {
            self::assertNotContains($gone, $steps);
        }
    }

    /** A caliper rebuilt on the bench: its kit lies ready instead of the part, and it is tested before it goes back. */
    public function testAPartRebuilt(): void
    {
        $repairs = World::catalogue()->repairs;
        $group = GroupAt::parse('caliper@lf');
        $new = Sheet::of($repairs, self::vehicle('medium-car'), [$group]);
        $rebuilt = Sheet::of($repairs, self::vehicle('medium-car'), [$group], ['caliper@lf' => 'rebuild']);
        $order = array_flip(self::ids($rebuilt));
        self::assertLessThan($order['rebuild-look'], $order['change-over'], 'it is off the vehicle');
        self::assertLessThan($order['banjo'], $order['rebuild-bench'], 'and tested before it is back on');
        self::assertTrue(self::line($rebuilt, 'rebuild-bench')->step->required);
        self::assertNotContains('rebuild-bench', self::ids($new));
        $things = array_column($rebuilt->prepare, 'count', 'id');
        self::assertArrayHasKey('caliper-kit', $things);
        self::assertArrayNotHasKey('new-caliper', $things);
        self::assertArrayNotHasKey('caliper-kit', array_column($new->prepare, 'count', 'id'));
        // a line taken out leaves the choice
        $two = Sheet::of($repairs, self::vehicle('medium-car'), [$group, GroupAt::parse('hose@lf')], [
            'caliper@lf' => 'rebuild',
        ]);
        $back = $two->without($repairs, self::vehicle('medium-car'), GroupAt::parse('hose@lf'));
        self::assertSame(self::ids($rebuilt), self::ids($back));
    }

    /** A lorry's wheel nuts are tightened as a lorry's, whatever was done there, and once. */
    public function testALorrysWheels(): void
    {
        $sheet = self::sheet('air-disc-lorry', 'air-caliper@rr', 'air-pads@rear', 'pad-wire@rear');
        $nuts = array_values(array_filter($sheet->steps, static fn (SheetStep $one): bool => $one->step->last));
        self::assertCount(1, $nuts);
        self::assertSame(['lr', 'rr'], array_keys($nuts[0]->names));
        self::assertGreaterThanOrEqual(400.0, $nuts[0]->step->figure?->typical[0]);
        $steps = self::ids($sheet);
        self::assertContains('carrier-over', $steps);
        self::assertContains('wire-in', $steps);
        self::assertNotContains('wire-air', $steps, 'the wire is a line of its own');
        $alone = self::sheet('air-disc-lorry', 'pad-wire@rear');
        self::assertContains('air-wheel', self::ids($alone));
        self::assertNotContains('wheel', self::ids($alone));
    }

    /** Two cylinders with their linings: one drum stands complete before the other one is stripped. */
    public function testTwoDrums(): void
    {
        $sheet = self::sheet('medium-car', 'cylinder@lr', 'cylinder@rr', 'shoes@lr', 'shoes@rr', 'flush@vehicle');
        $at = static fn (string $name): int => (int) array_search(
            true,
            array_map(static fn (SheetStep $one): bool => null !== $one->placeOf($name), $sheet->steps),
            true,
        );
        self::assertGreaterThan($at('strip-shoes'), $at('cylinder-in'));
        self::assertLessThan($at('drum-away@rr'), $at('adjust-drum@lr'));
        self::assertLessThan($at('flush-run@vehicle'), $at('pipe-nut-torque@rr'));
        self::assertNotContains('slip-cylinder', self::ids($sheet), 'the shoes are off anyhow');
        self::assertNotContains('other-side-too', self::ids($sheet), 'it is on the list');
        self::assertNotContains('slip-past', $sheet->ways());
        self::assertSame(2, array_column($sheet->prepare, 'count', 'id')['new-cylinder']);
    }

    /** A master with its booster shares its lines, its rod and its nuts. */
    public function testAMasterWithItsBooster(): void
    {
        $steps = self::ids(self::sheet('medium-car', 'master@vehicle', 'booster@vehicle'));
        self::assertSame(array_unique($steps), $steps);
        $order = array_flip($steps);
        self::assertLessThan($order['booster-out'], $order['master-off']);
        self::assertLessThan($order['master-nuts'], $order['booster-nuts']);
        self::assertLessThan($order['pipe-nuts'], $order['master-nuts']);
    }

    /** A line added or taken out leaves the name of every step that stays. */
    public function testATickStays(): void
    {
        $names = static fn (Sheet $sheet): array => array_merge(...array_map(
            static fn (SheetStep $line): array => $line->written(),
            $sheet->steps,
        ));
        $one = $names(self::sheet('medium-car', 'hose@lf'));
        $two = $names(self::sheet('medium-car', 'hose@lf', 'hose@rf'));
        $three = $names(self::sheet('medium-car', 'hose@lf', 'caliper@rf', 'hose@rf'));
        self::assertSame([], array_diff($one, $two));
        self::assertSame([], array_diff($two, $three));
        $sheet = self::sheet('medium-car', 'hose@lf', 'hose@rf');
        $back = $sheet->without(World::catalogue()->repairs, self::vehicle('medium-car'), GroupAt::parse('hose@rf'));
        self::assertSame($one, $names($back));
    }

    /**
     * Whatever is on the list: each joint is opened once at most and closed after that, no name is given twice, no
     * required fastener but the wheels' comes once they are on, a drum is not left for another one, and what is opened
     * is bled.
     */
    #[DataProvider('providePresets')]
    public function testWhateverIsOnTheList(string $preset): void
    {
        $repairs = World::catalogue()->repairs;
        $layout = self::vehicle($preset);
        $there = array_values(World::catalogue()->faults->repairsIn($layout));
        mt_srand(20_261_201);
        for ($n = 0; $n < self::VISITS; ++$n) {
            $groups = [];
            while (\count($groups) < 2 + $n % 4) {
                $group = $there[mt_rand(0, \count($there) - 1)];
                $groups[(string) $group] = $group;
            }
            $groups = array_values($groups);
            $said = $preset.': '.implode(' ', array_map(strval(...), $groups));
            $sheet = Sheet::of($repairs, $layout, $groups);
            $this->assertJoints($sheet, $said);
            $names = array_merge(...array_map(static fn (SheetStep $one): array => $one->written(), $sheet->steps));
            self::assertSame(array_unique($names), $names, $said);
            $this->assertWheelsLast($sheet, $said);
            $this->assertDrumsWhole($sheet, $layout, $said);
            foreach ($groups as $group) {
                foreach ($repairs->procedureOf($group)->steps as $step) {
                    $stands = isset($repairs->visit->instead[$layout->reach()->value][$step->id]);
                    $gone = $stands || !$step->isFor('') || [] !== $step->givesWayTo;
                    $kept = $gone || \in_array($step->id, self::ids($sheet), true);
                    self::assertTrue($kept, "$said: $step->id of $group");
                }
                if ($repairs->opensSystem($group)) {
                    $covered = array_filter(
                        BleedPlan::opened($repairs, $groups),
                        static fn (Place $one): bool => $one->covers($group->place) || $one->is($group->place->id),
                    );
                    self::assertNotSame([], $covered, "$said: $group is bled");
                }
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function providePresets(): iterable
    {
        foreach (['medium-car', 'front-rear-discs', 'heavy-van', 'all-drum-single', 'four-piston-estate', 'old-saloon',
            'air-disc-lorry'] as $preset) {
            yield $preset => [$preset];
        }
    }

    private function assertJoints(Sheet $sheet, string $said): void
    {
        $open = [];
        foreach ($sheet->steps as $line) {
            foreach (array_keys($line->names) as $place) {
                if ('' !== $line->step->breaks) {
                    self::assertArrayNotHasKey($line->step->breaks.$place, $open, $said.' opens it twice');
                    $open[$line->step->breaks.$place] = true;
                }
                if ('' !== $line->step->makes && isset($open[$line->step->makes.$place])) {
                    self::assertTrue($line->step->required, 'closed to torque');
                    $open[$line->step->makes.$place] = false;
                }
            }
        }
        self::assertNotContains(true, $open, $said.' leaves it open: '.json_encode($open));
    }

    private function assertWheelsLast(Sheet $sheet, string $said): void
    {
        $on = false;
        foreach ($sheet->steps as $line) {
            $on = $on || $line->step->last;
            $works = $line->step->required && !$line->step->last;
            self::assertFalse($on && $works && '' !== $line->step->makes.$line->step->breaks, $said);
        }
    }

    private function assertDrumsWhole(Sheet $sheet, Layout $layout, string $said): void
    {
        $left = [];
        $now = null;
        foreach ($sheet->steps as $line) {
            $corner = 1 === \count($line->names) ? Corner::tryFrom((string) array_key_first($line->names)) : null;
            if (null === $corner || $layout->brake($corner)->disc || $line->step->last) {
                continue;
            }
            if ($corner !== $now) {
                self::assertNotContains($corner, $left, $said.' comes back to a drum at '.$line->step->id);
                $left[] = $now = $corner;
            }
        }
        self::assertLessThanOrEqual(4, \count($left));
    }

    private static function vehicle(string $preset): Layout
    {
        return Layout::fromArray(World::catalogue()->vehicle($preset));
    }

    private static function sheet(string $preset, string $first, string ...$groups): Sheet
    {
        return Sheet::of(
            World::catalogue()->repairs,
            self::vehicle($preset),
            [GroupAt::parse($first), ...array_values(array_map(GroupAt::parse(...), $groups))],
        );
    }

    /** @return list<string> what is done, in order */
    private static function ids(Sheet $sheet): array
    {
        return array_map(static fn (SheetStep $line): string => $line->step->id, $sheet->steps);
    }

    private static function line(Sheet $sheet, string $step): SheetStep
    {
        foreach ($sheet->steps as $line) {
            if ($line->step->id === $step) {
                return $line;
            }
        }
        throw new \LogicException("The sheet has no $step.");
    }
}
