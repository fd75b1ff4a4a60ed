<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Observer\Sighting;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Composed;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Drivers;
use Rodrel\Core\Isolation\Evidence;
use Rodrel\Core\Isolation\Family;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\SharedCause;
use Rodrel\Core\Isolation\Sighted;
use Rodrel\Core\Isolation\Testimony;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\CheckAt;

/** The laws of the three kinds of evidence: what is seen, what is inferred, what is told. */
final class ThreeKindsTest extends TestCase
{
    /**
     * "Yes" has 0.9 under the hose and 0.1 under the caliper: 9 to 1. Where on one vehicle in fifty the family means
     * nothing it is 0.918 to 0.118, 7.78 to 1; of a hundred such readings 1.02 to 0.02, and never more than 51.
     */
    public function testAFamilyAloneSeparatesByNoMoreThanOneOverItsShare(): void
    {
        $field = ToyField::make();
        $opening = Opening::first($field, Context::none(), 0.0);
        $ratio = static function (int $readings, float $astray) use ($field, $opening): float {
            $causes = [];
            for ($n = 0; $n < $readings; ++$n) {
                $rows = Evidence::of($field, $opening, $n, ToyField::reading('push', 'yes'));
                $causes["n$n"] = SharedCause::of([$rows[0]]);
            }
            $logs = (new Family($astray, $causes))->logs(0, [true, true]);

            return exp($logs[0] - $logs[1]);
        };
        self::assertEqualsWithDelta(9.0, $ratio(1, 0.0), 1e-9);
        self::assertEqualsWithDelta(0.918 / 0.118, $ratio(1, 0.02), 1e-9);
        self::assertEqualsWithDelta(51.0, $ratio(100, 0.02), 1e-6);
        // all that the catalogue ships stays within a hundred and fifty; spins and heat within some thirty
        $drivers = World::catalogue()->drivers;
        foreach (World::catalogue()->checks as $check) {
            if ('' !== $check->family) {
                self::assertGreaterThan(1.0 / 170.0, $drivers->astray($check->family), $check->id);
            }
        }
        self::assertGreaterThanOrEqual(0.03, $drivers->astray('spin'));
    }

    /** Without one of three readings two are left, tempered together: 0.81 and 0.01 with 0.02 · 0.81 added. */
    public function testAFamilyWithoutOneReading(): void
    {
        $field = ToyField::make();
        $opening = Opening::first($field, Context::none(), 0.0);
        $causes = [];
        foreach ([0, 1, 2] as $n) {
            $rows = Evidence::of($field, $opening, $n, ToyField::reading('push', 'yes'));
            $causes["n$n"] = SharedCause::of([$rows[0]]);
        }
        $logs = (new Family(0.02, $causes))->logsWithout(0, 1, [true, true]);
        self::assertEqualsWithDelta(0.81 * 1.02 / (0.01 + 0.02 * 0.81), exp($logs[0] - $logs[1]), 1e-9);
    }

    /** In whichever order complaints are said, and rows of different checks are read, the belief is the same. */
    public function testNoOrderMatters(): void
    {
        $field = World::field('medium-car');
        $spin = ['lf' => 'two-hands', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-hand'];
        $read = [
            self::reading('spin@vehicle', $spin, 1),
            self::reading('hose-look@lf', ['' => 'cracked'], 2),
            self::reading('push-back@lf', ['' => 'hard-shut-easy-open'], 3),
            self::reading('pins@lf', ['pins' => 'free', 'pads' => 'free'], 4),
        ];
        $belief = static function (array $complaints, array $order) use ($field, $read): Belief {
            $told = new Reading(
                'c',
                CheckAt::parse('complaint@vehicle'),
                ['' => $complaints[0]],
                false,
                new \DateTimeImmutable('2026-03-01'),
                [],
                new HowTaken(\array_slice($complaints, 1)),
            );
            $readings = array_map(static fn (int $n): Reading => $read[$n], $order);
            $opening = Opening::first($field, Context::none(), 0.15, 0.1);

            return Belief::of($field, $opening, [$told, ...$readings]);
        };
        $one = $belief(['drags-lf', 'pulls-left', 'lamp'], [0, 1, 2, 3])->groups;
        $other = $belief(['lamp', 'drags-lf', 'pulls-left'], [3, 2, 1, 0])->groups;
        ksort($one);
        ksort($other);
        self::assertEqualsWithDelta($one, $other, 1e-9);
    }

    /**
     * Nothing that drivers say makes a fault less than the floor of what it was: over everything together, whatever
     * is said. And where its complaint says how often brakes are sound, so much is believed of it.
     */
    public function testWhatIsToldHasAFloorAndSaysHowOftenNothingIsWrong(): void
    {
        $field = World::field('medium-car');
        $opening = Opening::first($field, Context::none(), 0.15, 0.3);
        $drivers = $field->knowledge->drivers;
        foreach (['drags-lf', 'lamp-amber', 'pedal-sinks'] as $complaint) {
            $said = [self::reading('complaint@vehicle', ['' => $complaint], 0)];
            $told = Testimony::of($field, $opening, $said, $drivers, null);
            self::assertNotNull($told);
            $mean = 0.0;
            foreach ($opening->weights as $i => $weight) {
                $mean += $weight * exp($told->logs[$i]);
            }
            self::assertGreaterThan(0.99 * $drivers->floor, exp(min($told->logs)) / $mean, $complaint);
            self::assertEqualsWithDelta(0.3, Belief::of($field, $opening, $said)->group(Field::NOTHING), 1e-9);
        }
    }

    /** Of those who mean "long" a fifth says spongy, sinking or weak, a third of it each. */
    public function testWhatDriversCallThings(): void
    {
        $drivers = Drivers::fromShape(new Shape([
            'floor' => 0.02,
            'taken_for_each_other' => [['complaints' => ['spongy', 'long', 'sinks', 'weak'], 'share' => 0.2]],
            'astray' => [],
        ]));
        $calls = $drivers->calls('spongy', ['long', 'spongy', 'weak', 'sinks', 'lamp']);
        ksort($calls);
        self::assertEqualsWithDelta([0.2 / 3.0, 0.8, 0.2 / 3.0, 0.2 / 3.0], array_values($calls), 1e-12);
        self::assertSame([4 => 1.0], $drivers->calls('lamp', ['long', 'spongy', 'weak', 'sinks', 'lamp']));
    }

    /**
     * s · i + m · (1 − i): a wire that one vehicle in a hundred has cut, and of one good wire in a thousand is said to
     * be, is told of 0.9 · 0.01 + 0.001 · 0.99 = 0.00999 of the others. Nine in ten of those are cut.
     */
    public function testHowOftenADefectIsSeenElsewhere(): void
    {
        $cut = Sighting::fromShape(new Shape(['as' => 'cause', 'also' => 0.01, 'false' => 0.001]));
        self::assertEqualsWithDelta(0.00999, $cut->elsewhere(), 1e-12);
        self::assertEqualsWithDelta(0.9009, $cut->isThere(), 1e-4);
        self::assertTrue($cut->isHard());
        $wet = Sighting::fromShape(new Shape(['as' => 'cause', 'also' => 0.25, 'false' => 0.02]));
        self::assertFalse($wet->isHard(), 'wet fluid is common');
    }

    /** A cut wire, a pipe rusted through, fluid behind the master need repair whatever was complained of. */
    public function testWhatIsSeenBrokenIsBelievedWhateverTheDriverSaid(): void
    {
        $field = World::field('medium-car');
        $seen = [
            'pad-wire@front' => ['', 'cut-or-off', 'pad-wire@front'],
            'master-behind@vehicle' => ['behind', 'fluid', 'master@vehicle'],
            'fuses@vehicle' => ['', 'blown-or-loose', 'fuse@vehicle'],
            'drum-look@lr' => ['boots', 'wet', 'cylinder@lr'],
        ];
        foreach ($seen as $check => [$row, $word, $group]) {
            foreach (['lamp', 'pedal-long', 'drags-rf', 'noise'] as $complaint) {
                $belief = Belief::of($field, Opening::first($field, Context::none(), 0.15, 0.1), [
                    self::reading('complaint@vehicle', ['' => $complaint], 0),
                    self::reading($check, [$row => $word], 1),
                ]);
                $found = Sighted::in($belief);
                self::assertCount(1, $found);
                self::assertSame($group, (string) $found[0]->group, $check);
                self::assertGreaterThan(0.5, $found[0]->needs, "$check, $complaint");
            }
        }
    }

    /** Both at once show what either shows, deny what either denies, and are as rare as both where all is sound. */
    public function testWhatTwoFaultsThatNobodyNamedShow(): void
    {
        self::assertEqualsWithDelta(0.9, Composed::chance(0.9, 0.05, 0.05), 1e-12);
        self::assertEqualsWithDelta(0.1 * 0.9 / 0.95, Composed::chance(0.1, 0.9, 0.95), 1e-12);
        self::assertEqualsWithDelta(0.04 / 0.95, Composed::chance(0.2, 0.2, 0.95), 1e-12);
        self::assertSame(0.6, Composed::chance(0.5, 0.6, 0.01), 'never more than the likelier');
        $field = World::field('medium-car');
        $weights = 0.0;
        foreach ($field->composed as [$one, $other, $weight]) {
            self::assertFalse($field->particles[$one]->group->is($field->particles[$other]->group));
            $weights += $weight;
        }
        self::assertGreaterThan(10.0, $weights);
        $opening = Opening::first($field, Context::none(), 0.15);
        $free = array_fill_keys(['lf', 'rf', 'lr', 'rr'], 'one-finger');
        $sound = [
            self::reading('spin@vehicle', $free, 1),
            self::reading('look@vehicle', ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'], 2),
        ];
        $before = Belief::of($field, $opening, []);
        $after = Belief::of($field, $opening, $sound);
        $falls = static fn (Belief $belief): float => $belief->second() / $belief->group(Field::NOTHING);
        self::assertLessThan(0.5 * $falls($before), $falls($after), 'a second fault falls where all is sound');
    }

    /** @param array<string, string> $words */
    private static function reading(string $check, array $words, int $minute): Reading
    {
        $at = new \DateTimeImmutable("2026-03-01 10:00:00 +$minute minutes");

        return new Reading($check.$minute, CheckAt::parse($check), $words, false, $at);
    }

    /**
     * A good vehicle, looked at all over, shows at most one defect that is not there, and hardly ever a hard one: one
     * in twenty. What is there although the complaint comes from elsewhere (`also`) is no error and not counted.
     */
    public function testAGoodVehicleShowsHardlyADefect(): void
    {
        foreach (World::hydraulic() as $preset) {
            $all = $hard = 0.0;
            foreach (World::catalogue()->checks as $check) {
                $places = \count($check->places->in(World::layout($preset)));
                foreach ($check->rows as $row) {
                    foreach ($row->observer->words() as $word) {
                        $seen = $row->observer->sighting($word);
                        $all += null === $seen ? 0.0 : $places * $seen->false;
                        $hard += null !== $seen && $seen->isHard() ? $places * $seen->false : 0.0;
                    }
                }
            }
            self::assertGreaterThan(0.3, $all, $preset);
            self::assertLessThanOrEqual(1.0, $all, $preset);
            self::assertGreaterThan(0.01, $hard, $preset);
            self::assertLessThanOrEqual(0.05, $hard, $preset);
        }
    }
}
