<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue\BrokenCatalogue;
use Rodrel\Core\Catalogue\CatalogueReader;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Repair\SheetStep;
use Rodrel\Core\Road\Yardstick;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** The recipes of CONTRIBUTING.md, each done here with a planted entry: data and texts, no code but for a unit. */
final class RecipesTest extends TestCase
{
    /**
     * A fault: its effect in the model, its signs, its repair and what confirms it. It shows in the field and drags.
     */
    public function testAddAFault(): void
    {
        $catalogue = CatalogueReader::read(
            $this->with('faults', 'faults', [
                'id' => 'hose.swollen-shut',
                'places' => 'hose',
                'repair' => 'hose',
                'weight' => 0.4,
                'provenance' => 'estimate',
                'reason' => 'planted by a test; plausible range 0.1 to 1',
                'severity' => ['return' => ['values' => [1e-6], 'weights' => [1]]],
                'effects' => ['hose@{place}' => ['gr' => 'return']],
                'signs' => ['hose-look' => [0.3, 0.65, 0.02, 0.02, 0.01]],
                'ages_with' => 'hose',
                'spoils' => [],
                'confirm' => ['hose-top'],
            ]),
        );
        $layout = World::layout();
        $suspects = array_map(
            static fn ($particle): string => (string) $particle->suspect,
            Particles::of($catalogue->faults, $layout),
        );
        self::assertContains('hose.swollen-shut@lf', $suspects);
        $signature = World::prediction($layout, $catalogue)->fault($catalogue->faults->all['hose.swollen-shut']);
        $spin = $signature->toArray()['rows']['spin@vehicle/lf'] ?? null;
        self::assertNotNull($spin, 'what it shows at a spun wheel is predicted');
    }

    /** A check: where it is made, what it asks for, and one row whose probe and words are named in the data. */
    public function testAddACheck(): void
    {
        $catalogue = CatalogueReader::read(
            $this->with('checks', 'checks', [
                'id' => 'foot-lamp',
                'places' => 'vehicle',
                'station' => 'seat',
                'state' => 'ground',
                'minutes' => 1,
                'foot_n' => 80,
                'hold_s' => 3,
                'provenance' => 'estimate',
                'reason' => 'planted by a test',
                'observer' => [
                    'type' => 'words',
                    'probe' => 'travel',
                    'words' => ['short', 'long'],
                    'limits' => [1.3],
                    'relative_to_sound' => true,
                    'sigma' => 0.1,
                    'scatter' => 0.1,
                ],
            ]),
        );
        $layout = World::layout();
        $at = CheckAt::parse('foot-lamp@vehicle');
        $check = $catalogue->checks->of($at);
        $subject = Subject::sane(new Instruments($layout), $catalogue->checks, $catalogue->complaints);
        $sound = World::prediction($layout, $catalogue)->sound()->chances['foot-lamp@vehicle'] ?? [];
        self::assertSame('foot-lamp', $check->id);
        self::assertGreaterThan(0.9, $sound[0] ?? null, 'a sound pedal is not 1.3 times as long as a sound pedal');
        self::assertInstanceOf(Subject::class, $subject);
    }

    /** A complaint: what the driver says, where, and which probe makes him say it. It joins the words of the check. */
    public function testAddAComplaint(): void
    {
        $texts = $this->with(
            'complaints',
            'complaints',
            [
                'id' => 'pedal-sinks-planted',
                'what' => 'pedal-sinks',
                'noticed' => ['with' => ['press' => 'firm', 'at' => 'end']]
                    + ['probe' => 'sink', 'curve' => 'bell', 'scale' => 6.0, 'share' => 0.8],
            ],
            before: 'none',
        );
        $catalogue = CatalogueReader::read($texts);
        self::assertContains('pedal-sinks-planted', $catalogue->checks->of('complaint')->firstRow()->observer->words());
        self::assertSame('none', array_key_last($catalogue->complaints->all));
    }

    /** A preset: a whole vehicle, its four questions, and the laws that vehicles brake by. */
    public function testAddAPreset(): void
    {
        $texts = World::texts();
        $document = json_decode($texts['presets'], true);
        $van = $document['presets']['heavy-van'];
        $van['id'] = 'light-van';
        $van['mass_kg'] = 2200;
        $van['questions']['anti_lock'] = true;
        $document['presets']['light-van'] = $van;
        $texts['presets'] = json_encode($document, \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR);
        $catalogue = CatalogueReader::read($texts);
        $layout = Layout::fromArray($catalogue->presets['light-van']);
        self::assertSame(2200.0, $layout->body->massKg);
        self::assertSame([], (new Yardstick($layout))->broken());
    }

    /** A procedure: what lies ready, its steps in order, and the repair that follows it. Its sheet has them. */
    public function testAddAProcedure(): void
    {
        $texts = World::texts();
        $document = json_decode($texts['procedures'], true);
        $document['procedures']['dust-shield'] = [
            'prepare' => [['id' => 'new-shield']],
            'steps' => [
                ['id' => 'photograph', 'gives_way_to' => ['photograph-both']],
                ['id' => 'shield-riveted', 'required' => true],
                ['id' => 'wheel', 'last' => true, 'torque_nm' => [90, 130], 'required' => true],
            ],
            'inspect' => ['hose-age'],
        ];
        $texts['procedures'] = json_encode($document, \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR);
        $texts['repairs'] = str_replace('"procedure": "shield"', '"procedure": "dust-shield"', $texts['repairs'], $n);
        self::assertSame(1, $n);
        try {
            CatalogueReader::read($texts);
            self::fail('the old procedure is one that nobody uses now');
        } catch (BrokenCatalogue $broken) {
            self::assertStringContainsString('/procedures/procedures/shield', $broken->getMessage());
        }
        unset($document['procedures']['shield']);
        $texts['procedures'] = json_encode($document, \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR);
        $sheet = Sheet::of(CatalogueReader::read($texts)->repairs, World::layout(), [GroupAt::parse('shield@lf')]);
        self::assertSame(
            ['photograph', 'shield-riveted', 'wheel'],
            array_map(static fn (SheetStep $line): string => $line->step->id, $sheet->steps),
        );
    }

    /** A unit: one case with its quantity and factor. 29.53 inches of mercury are 100 kPa (1 inHg = 3.386389 kPa). */
    public function testAddAUnit(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        $code = (string) file_get_contents(\dirname(__DIR__).'/src/Quantity/Unit.php');
        $code = str_replace("case Bar = 'bar';", "case Bar = 'bar';\n    case InchOfMercury = 'inHg';", $code, $once);
        self::assertSame(1, $once);
        $code = str_replace('self::Kilopascal, self::Bar,', 'self::Kilopascal, self::Bar, self::InchOfMercury,', $code);
        $code = str_replace('self::Bar => 100.0,', 'self::Bar => 100.0, self::InchOfMercury => 3.386389,', $code);
        file_put_contents($file, $code);
        $load
            = 'require '
            .var_export(\dirname(__DIR__, 2).'/vendor/autoload.php', true)
            .'; require '
            .var_export($file, true)
            .';';
        $try
            = 'echo Rodrel\Core\Quantity\Measured::parse(Rodrel\Core\Quantity\Quantity::Pressure, "29.53 inHg", '
            .'Rodrel\Core\Quantity\Unit::Kilopascal)->core;';
        exec('php -r '.escapeshellarg($load.$try), $lines);
        unlink($file);
        self::assertEqualsWithDelta(100.0, (float) $lines[0], 0.01);
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, string>
     */
    private function with(string $file, string $list, array $row, ?string $before = null): array
    {
        $texts = World::texts();
        $document = json_decode($texts[$file], true);
        $at = \count($document[$list]);
        foreach ($document[$list] as $n => $other) {
            $at = $other['id'] === $before ? $n : $at;
        }
        array_splice($document[$list], $at, 0, [$row]);
        $texts[$file] = json_encode($document, \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR);

        return $texts;
    }
}
