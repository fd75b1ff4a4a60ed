<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue\BrokenCatalogue;
use Rodrel\Core\Catalogue\CatalogueReader;

/** The data files: ids, provenance, and errors that name their place. */
final class CatalogueTest extends TestCase
{
    /** Ids that were published; each must stand, or be retired in favour of one that does. */
    private const PUBLISHED = [
        'hose.one-way',
        'hose.closes',
        'hose.restricted',
        'inlet-valve.holds',
        'inlet-valve.shut',
        'piston.stuck-out',
        'piston.stuck-back',
        'piston.lazy',
        'cylinder.seized',
        'return-spring.weak',
        'guide-pins.stuck',
        'pads.stuck',
        'master.stops-short',
        'booster.holds',
        'air.wheel',
        'air.circuit',
        'parking-brake.drags',
        'bearing.drags',
        'nothing.wrong',
        'hose.twisted',
        'hose.crushed',
        'hose.balloons',
        'hose.leaks',
        'pipe.crushed',
        'pipe.crushed-shared',
        'caliper.leaks',
        'cylinder.leaks',
        'shoes.soaked',
        'pads.soaked',
        'air.modulator',
        'adjuster.over-wound',
        'adjuster.slack',
        'shoe.off-line',
        'rear-caliper.lever',
        'rear-caliper.adjuster',
        'actuator.holds',
        'hat-shoes.drag',
        'rust.stuck',
        'caliper.faulty-new',
        'caliper.wrong-side',
        'master.long-rod',
        'master.port-blocked',
        'booster.holds-briefly',
        'vacuum.fails',
        'complaint',
        'pattern',
        'look',
        'pedal',
        'spin',
        'spin-later',
        'engine',
        'bleeder-open',
        'hose-top',
        'modulator-outlet',
        'master-outlet',
        'master-eased',
        'push-back',
        'pins',
        'hose-look',
        'wear',
        'bearing',
        'parking-slack',
        'line-runs',
        'first-stroke',
        'spin-hard',
        'spin-hot',
        'complaint-again',
        'heat-arrival',
        'heat-loop',
        'pump',
        'booster-gauge',
        'spin-series',
        'free-after',
        'relay-out',
        'reservoir',
        'pull',
        'lock-up',
        'brake-loop',
        'gauge',
        'roller',
        'dust',
        'smell',
        'hose-feel',
        'pipe-look',
        'caliper-look',
        'pads-look',
        'drum-look',
        'chalk',
        'limits',
        'lever-stop',
        'service-mode',
        'hat-look',
        'break-free',
    ];

    public function testIdsAreKebabCaseAndNonePublishedIsLost(): void
    {
        $catalogue = World::catalogue();
        $now = [...array_keys($catalogue->faults->all), ...array_keys($catalogue->checks->all)];
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

    /** Each mistake is planted in the text of a shipped file and must be named first, with its place and its line. */
    #[DataProvider('provideMistakes')]
    public function testEveryKindOfMistakeIsNamedWithItsPlaceAndLine(
        string $file,
        string $there,
        string $planted,
        string $path,
        string $said,
        ?string $lineOf = null,
    ): void {
        $texts = World::texts();
        $before = strpos($texts[$file], $there);
        self::assertNotFalse($before, 'the place to plant it is there');
        $texts[$file] = substr_replace($texts[$file], $planted, $before, \strlen($there));
        $at = null === $lineOf ? $before : strpos($texts[$file], $lineOf);
        self::assertNotFalse($at);
        try {
            CatalogueReader::read($texts, null, []);
            self::fail('It was accepted.');
        } catch (BrokenCatalogue $wrong) {
            self::assertSame($path, $wrong->mistakes[0]['path'], $wrong->getMessage());
            self::assertStringContainsString($said, $wrong->mistakes[0]['what']);
            self::assertSame(substr_count($texts[$file], "\n", 0, $at) + 1, $wrong->mistakes[0]['line']);
        }
    }

    /** @return iterable<string, array{0: string, 1: string, 2: string, 3: string, 4: string, 5?: string}> */
    public static function provideMistakes(): iterable
    {
        $hose = '/faults/faults/0';
        yield 'no JSON' => ['parts', '"hose": {', '"hose": [', '/parts', 'no JSON', '{'];
        yield 'another format' => ['parts', '"format": 1', '"format": 2', '/parts/format', 'format 1'];
        yield 'a key twice' => ['parts', '"adjuster": {}', '"hose": {}', '/parts/parts/hose', 'twice'];
        yield 'an unknown key' => [
            'faults',
            '"ages_with"',
            '"age_with": "hose", "ages_with"',
            "$hose/age_with",
            'no such key',
        ];
        yield 'an unknown key of the file' => [
            'parts',
            '"parts"',
            '"extra": 1, "parts"',
            '/parts/extra',
            'no such key',
        ];
        yield 'an id twice' => ['faults', '"hose.closes"', '"hose.one-way"', '/faults/faults/1/id', 'twice'];
        yield 'an id in another style' => [
            'faults',
            '"hose.closes"',
            '"Hose_closes"',
            '/faults/faults/1/id',
            'lower-case',
        ];
        yield 'a weight in words' => ['faults', '"weight": 3.0', '"weight": "much"', "$hose/weight", 'number'];
        yield 'a weight of nothing' => ['faults', '"weight": 3.0', '"weight": 0', "$hose/weight", 'above zero'];
        yield 'an unknown kind of place' => ['faults', '"places": "hose"', '"places": "roof"', "$hose/places", 'roof'];
        yield 'a severity without weights' => [
            'faults',
            '"weights": [1, 2, 3, 3, 3]',
            '"weights": [1]',
            "$hose/severity/return/weights",
            'one weight',
        ];
        yield 'a place of another kind' => [
            'faults',
            '"hose@{place}": {"gr": "return"',
            '"brake@{place}": {"gr": "return"',
            "$hose/effects/brake@{place}/gr",
            'no such parameter',
        ];
        yield 'an effect on nothing' => [
            'faults',
            '{"gr": "return", "gf"',
            '{"gx": "return", "gf"',
            "$hose/effects/hose@{place}/gx",
            'no such parameter',
        ];
        yield 'a severity that is not there' => [
            'faults',
            '{"gr": "return", "gf"',
            '{"gr": "retrn", "gf"',
            "$hose/effects/hose@{place}/gr",
            'severities',
        ];
        yield 'an effect out of range' => [
            'faults',
            '[0.0002, 0.001, 0.005, 0.15]',
            '[-0.0002, 0.001, 0.005, 0.15]',
            "$hose/effects/hose@lf/gf",
            'outside 0 to 10',
            '"effects": {"hose@{place}": {"gr": "return"',
        ];
        yield 'chances without a sum of one' => [
            'faults',
            '"hose-look": [0.44',
            '"hose-look": [0.54',
            "$hose/signs/hose-look",
            '1',
        ];
        yield 'chances of a check that is not there' => [
            'faults',
            '"hose-look": [0.44',
            '"hose-lok": [0.44',
            "$hose/signs/hose-lok",
            'sign',
        ];
        yield 'a repair that is not there' => [
            'faults',
            '"repair": "hose"',
            '"repair": "magic"',
            "$hose/repair",
            'magic',
        ];
        yield 'a part that is not there' => [
            'faults',
            '"spoils": ["caliper"]',
            '"spoils": ["wiper"]',
            $hose,
            'wiper',
            "{\n      \"id\": \"hose.one-way\"",
        ];
        yield 'a confirming check that is not there' => [
            'faults',
            '"confirm": ["bleeder-open", "push-back", "hose-top"]',
            '"confirm": ["magic"]',
            "$hose/confirm",
            'magic',
        ];
        yield 'a fault that nothing confirms' => [
            'faults',
            '"confirm": ["bleeder-open", "push-back", "hose-top"]',
            '"confirm": []',
            "$hose/confirm",
            'a check that confirms it',
        ];
        yield 'a fault confirmed elsewhere' => [
            'faults',
            '"confirm": ["bleeder-open", "push-back", "hose-top"]',
            '"confirm": ["lever-stop"]',
            "$hose/confirm",
            'nothing confirms it',
        ];
        yield 'a fault confirmed by the proof' => [
            'faults',
            '"confirm": ["bleeder-open", "push-back", "hose-top"]',
            '"confirm": ["spin-hard"]',
            "$hose/confirm",
            'proof',
        ];
        yield 'an estimate without its reason' => [
            'checks',
            '"provenance": "estimate"',
            '"provenance": "guess"',
            '/checks/checks/0/provenance',
            'guess',
        ];
        yield 'an unknown observer' => [
            'checks',
            '"type": "complaint"',
            '"type": "oracle"',
            '/checks/checks/0/observer/type',
            'oracle',
        ];
        yield 'an unknown probe' => [
            'checks',
            '"probe": "travel"',
            '"probe": "travl"',
            '/checks/checks/3/rows/travel/probe',
            'no such probe',
        ];
        yield 'an unknown lift' => [
            'checks',
            '"state": "any"',
            '"state": "flying"',
            '/checks/checks/0/state',
            'flying',
        ];
        yield 'an unknown station' => [
            'checks',
            '"station": "talk"',
            '"station": "roof"',
            '/checks/checks/0/station',
            'roof',
        ];
        yield 'an unknown gate' => [
            'checks',
            '"gates": ["',
            '"gates": ["nowhere", "',
            '/checks/checks/3/gates',
            'nowhere',
        ];
        yield 'too few limits' => [
            'checks',
            '"limits": [1.18, 1.45]',
            '"limits": [1.18]',
            '/checks/checks/3/rows/travel/limits',
            'one limit',
        ];
        yield 'limits that fall' => [
            'checks',
            '"limits": [1.18, 1.45]',
            '"limits": [1.45, 1.18]',
            '/checks/checks/3/rows/travel/limits',
            'ris',
        ];
        yield 'a unit of another quantity' => [
            'checks',
            '"unit": "mm"',
            '"unit": "kPa"',
            '/checks/checks/3/rows/travel/unit',
            'kPa',
        ];
        yield 'a word nobody stands behind' => [
            'checks',
            '"tight": {"as": "cause", "also": 0.03, "false": 0.012}',
            '"tight": {"as": "cause", "also": 0.7, "false": 0.3}',
            '/checks/checks/19',
            '"tight"',
            "{\n      \"id\": \"parking-slack\"",
        ];
        yield 'chances that are not one a word' => [
            'checks',
            '"base": [0.95, 0.05]',
            '"base": [0.95]',
            '/checks/checks/2/rows/level/base',
            'two chances',
        ];
        yield 'a check after one that is not there' => [
            'checks',
            '"after": "spin"',
            '"after": "spinn"',
            '/checks/checks/5/after',
            'spinn',
        ];
        yield 'a check instead of which there is none' => [
            'checks',
            '"instead": "pads-finger"',
            '"instead": "pads-fingers"',
            '/checks/checks/12/instead',
            'pads-fingers',
        ];
        yield 'a gate that reads another word' => [
            'gates',
            '"words": ["good"]',
            '"words": ["god"]',
            '/gates/gates/road/conditions/1/reads/0',
            'god',
        ];
        yield 'a gate that asks for no fact' => [
            'gates',
            '"fact": "stands"',
            '"fact": "flies"',
            '/gates/gates/under/conditions/2/fact',
            'flies',
        ];
        yield 'a criterion of another word' => [
            'proof',
            '{"wet": ["good"]}',
            '{"wet": ["fine"]}',
            '/proof/criteria/6',
            'fine',
        ];
        yield 'a procedure that is not there' => [
            'repairs',
            '"procedure": "hose"',
            '"procedure": "magic"',
            '/repairs/repairs/hose/procedure',
            'magic',
        ];
        yield 'a band the wrong way round' => [
            'procedures',
            '"torque_nm": [18, 30]',
            '"torque_nm": [30, 18]',
            '/procedures/procedures/hose/steps/11',
            'rises',
        ];
        yield 'wheel nuts by hand' => [
            'procedures',
            '"torque_nm": [90, 130]',
            '"torque_nm": [9, 13]',
            '/procedures/procedures/hose/steps/17/torque_nm',
            '45 N',
        ];
        yield 'a joint that stays open' => [
            'procedures',
            ', "makes": "hose-top"',
            '',
            '/procedures/procedures/hose',
            'hose-top',
            '"hose": {',
        ];
        yield 'a step that gives way to none' => [
            'procedures',
            '["photograph-both"]',
            '["painted"]',
            '/procedures/procedures/hose/steps/1/gives_way_to',
            'painted',
        ];
        yield 'too few washers laid ready' => [
            'procedures',
            '{"id": "sealing-washers", "count": 2}',
            '{"id": "sealing-washers", "count": 1}',
            '/procedures/procedures/hose/steps/11/uses',
            'too few',
            '"uses": "sealing-washers"',
        ];
        yield 'a surprise where nothing is done' => [
            'procedures',
            '"steps": ["rebuild-look"]',
            '"steps": ["sing"]',
            '/procedures/surprises/bore-pitted/steps',
            'sing',
        ];
        yield 'a way that no school leaves open' => [
            'procedures',
            '"way": "propped"',
            '"way": "held"',
            '/procedures/procedures/hose',
            'held',
            '"hose": {',
        ];
        yield 'an opened system that nobody bleeds' => [
            'repairs',
            '"bleeds": "place"',
            '"bleeds": "none"',
            '/repairs/repairs/hose/bleeds',
            'bled',
        ];
        yield 'a complaint nobody makes' => [
            'checks',
            '"not_for": ["hiss"',
            '"not_for": ["sings"',
            '/checks/checks/4/not_for',
            'sings',
        ];
        yield 'a scope of a part that is not there' => [
            'repairs',
            '{"part": "caliper"',
            '{"part": "wiper"',
            '/repairs/repairs/hose/scope/0/part',
            'wiper',
        ];
        yield 'a school of an order that is not there' => [
            'schools',
            '"bleed_order": "farthest-first"',
            '"bleed_order": "by-luck"',
            '/schools/schools/bleed_order/choices/farthest-first/bleed_order',
            'by-luck',
        ];
        yield 'a preset without a figure' => [
            'presets',
            '"mass_kg"',
            '"mas_kg"',
            '/presets/presets/medium-car/mas_kg',
            'no such key',
        ];
    }

    public function testEverythingWrongIsSaidAtOnceAndARetiredIdStaysRetired(): void
    {
        $texts = World::texts();
        $texts['faults'] = str_replace('"weight": 4.0', '"weight": "four"', $texts['faults']);
        $texts['repairs'] = str_replace('"procedure": "hose"', '"procedure": "magic"', $texts['repairs']);
        try {
            CatalogueReader::read($texts, null, ['wear' => 'pad-wear']);
            self::fail('It was accepted.');
        } catch (BrokenCatalogue $wrong) {
            $paths = array_column($wrong->mistakes, 'path');
            self::assertContains('/faults/faults/5/weight', $paths);
            self::assertContains('/repairs/repairs/hose/procedure', $paths);
            self::assertContains('/retired/retired/wear', $paths);
        }
        self::assertCount(\count(World::catalogue()->faults->all), CatalogueReader::read(World::texts())->faults->all);
    }
}
