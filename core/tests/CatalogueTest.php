<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue;
use Rodrel\Core\InvalidData;

/** The data files: ids, provenance, and errors that name their place. */
final class CatalogueTest extends TestCase
{
    /** Ids that were published; each must stand, or be retired in favour of one that does. */
    private const PUBLISHED = ['hose.one-way', 'hose.closes', 'hose.restricted', 'inlet-valve.holds', 'inlet-valve.shut', 'piston.stuck-out', 'piston.stuck-back', 'piston.lazy', 'cylinder.seized', 'return-spring.weak', 'guide-pins.stuck', 'pads.stuck', 'master.stops-short', 'booster.holds', 'air.wheel', 'air.circuit', 'parking-brake.drags', 'bearing.drags', 'nothing.wrong',
        'hose.twisted', 'hose.crushed', 'hose.balloons', 'hose.leaks', 'pipe.crushed', 'pipe.crushed-shared', 'caliper.leaks', 'cylinder.leaks', 'shoes.soaked', 'pads.soaked', 'air.modulator', 'adjuster.over-wound', 'adjuster.slack', 'shoe.off-line', 'rear-caliper.lever', 'rear-caliper.adjuster', 'actuator.holds', 'hat-shoes.drag', 'rust.stuck', 'caliper.faulty-new', 'caliper.wrong-side', 'master.long-rod', 'master.port-blocked', 'booster.holds-briefly', 'vacuum.fails',
        'complaint', 'pattern', 'look', 'pedal', 'spin', 'spin-later', 'engine', 'bleeder-open', 'hose-top', 'modulator-outlet', 'master-outlet', 'master-eased', 'push-back', 'pins', 'hose-look', 'wear', 'bearing', 'parking-slack', 'line-runs', 'first-stroke', 'spin-hard', 'spin-hot', 'complaint-again', 'heat-arrival', 'heat-loop', 'pump', 'booster-gauge', 'spin-series', 'free-after', 'relay-out', 'reservoir', 'pull', 'lock-up', 'brake-loop', 'gauge', 'roller', 'dust', 'smell', 'hose-feel', 'pipe-look', 'caliper-look', 'pads-look', 'drum-look', 'chalk', 'limits', 'lever-stop', 'service-mode', 'hat-look', 'break-free'];

    public function testIdsAreKebabCaseAndNonePublishedIsLost(): void
    {
        $catalogue = World::catalogue();
        $now = [...array_keys($catalogue->faults), ...array_keys($catalogue->checks)];
        foreach ($now as $id) {
            self::assertMatchesRegularExpression('/^[a-z]+(-[a-z]+)*(\.[a-z]+(-[a-z]+)*)?$/', $id);
        }
        $retired = json_decode((string) file_get_contents(\dirname(__DIR__).'/data/retired.json'), true)['retired'];
        foreach (self::PUBLISHED as $id) {
            self::assertContains($retired[$id] ?? $id, $now, $id);
        }
        foreach ($retired as $old => $new) {
            self::assertNotContains($old, $now, "$old is retired and must not be used again");
        }
    }

    public function testEveryEstimateGivesItsReasonAndEveryRowItsProvenance(): void
    {
        foreach (['faults' => 'faults', 'checks' => 'checks'] as $file => $list) {
            foreach (World::documents()[$file][$list] as $row) {
                self::assertContains($row['provenance'] ?? null, ['law', 'handbook', 'estimate'], $row['id']);
                if ('estimate' === $row['provenance']) {
                    self::assertGreaterThan(15, \strlen($row['reason'] ?? ''), $row['id']);
                }
            }
        }
    }

    /** @param list<string|int> $where */
    #[DataProvider('provideBroken')]
    public function testABrokenDocumentIsRefusedWithItsPlace(array $where, mixed $value, string $path): void
    {
        $documents = World::documents();
        $at = &$documents;
        foreach ($where as $key) {
            $at = &$at[$key];
        }
        $at = $value;
        try {
            Catalogue::fromArray($documents);
            self::fail('It was accepted.');
        } catch (InvalidData $wrong) {
            self::assertSame($path, $wrong->path);
        }
    }

    /** @return iterable<string, array{list<string|int>, mixed, string}> */
    public static function provideBroken(): iterable
    {
        yield 'a weight that is a word' => [['faults', 'faults', 0, 'weight'], 'much', '/faults/faults/0/weight'];
        yield 'a weight of nothing' => [['faults', 'faults', 0, 'weight'], 0, '/faults/faults/0/weight'];
        yield 'an unknown kind of place' => [['faults', 'faults', 1, 'places'], 'roof', '/faults/faults/1/places'];
        yield 'chances that do not sum to one' => [['faults', 'faults', 0, 'signs', 'wear'], [0.5, 0.1, 0.1, 0.1], '/faults/faults/0/signs/wear'];
        yield 'a repair that is not there' => [['faults', 'faults', 0, 'repair'], 'magic', '/faults/hose.one-way/repair'];
        yield 'a confirming check that is not there' => [['faults', 'faults', 0, 'confirm'], ['magic'], '/faults/hose.one-way/confirm'];
        yield 'too few limits' => [['checks', 'checks', 4, 'observer', 'limits'], [25], '/checks/checks/4/observer/limits'];
        yield 'an unknown state' => [['checks', 'checks', 4, 'state'], 'flying', '/checks/checks/4/state'];
        yield 'a severity without weights' => [['faults', 'faults', 0, 'severity', 'return', 'weights'], [1], '/faults/faults/0/severity/return/weights'];
    }
}
