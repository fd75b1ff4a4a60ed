<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\Signature;
use Rodrel\Core\Check\SignatureBuilder;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Model\Booster;
use Rodrel\Core\Model\CircuitBuilder;
use Rodrel\Core\Model\CircuitSolver;
use Rodrel\Core\Model\CircuitState;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Model\Foot;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;

/** The catalogue as shipped, its presets, and a way to watch them brake. */
final class World
{
    private static ?Catalogue $catalogue = null;
    /** @var array<string, Field> */
    private static array $fields = [];

    public static function catalogue(): Catalogue
    {
        return self::$catalogue ??= Catalogue::fromArray(self::documents());
    }

    /** @return array{faults: array<mixed>, checks: array<mixed>, repairs: array<mixed>, procedures: array<mixed>, presets: array<mixed>, drives: array<mixed>, bleeding: array<mixed>} */
    public static function documents(): array
    {
        $read = static fn (string $file): array => json_decode((string) file_get_contents(\dirname(__DIR__).'/data/'.$file.'.json'), true, 512, \JSON_THROW_ON_ERROR);

        return ['faults' => $read('faults'), 'checks' => $read('checks'), 'repairs' => $read('repairs'), 'procedures' => $read('procedures'), 'presets' => $read('presets'), 'drives' => $read('drives'), 'bleeding' => $read('bleeding')];
    }

    /** @param array<string, mixed> $changes merged into the preset */
    public static function layout(string $preset = 'medium-car', array $changes = []): Layout
    {
        return Layout::fromArray(array_replace_recursive(self::catalogue()->presets[$preset], $changes));
    }

    /** The predictions, from the file that the worker made where there is one: they are the same. */
    public static function field(string $preset): Field
    {
        if (!isset(self::$fields[$preset])) {
            $layout = self::layout($preset);
            $builder = new SignatureBuilder(self::catalogue());
            $file = \dirname(__DIR__, 2).'/var/signatures/test/'.$builder->key($layout).'.php';
            $signature = is_file($file) ? Signature::fromArray(require $file) : $builder->build($layout);
            self::$fields[$preset] = Field::of(self::catalogue(), $layout, $signature);
        }

        return self::$fields[$preset];
    }

    /** @param list<string>|null $tools */
    public static function settings(?array $tools = null): Settings
    {
        return Settings::fromShape(new Shape(['rate_cents_per_hour' => 6000, 'fluid_cents_per_litre' => 1000, 'threshold' => 0.9, 'second_fault' => 0.15, 'second_fault_after_repair' => 0.4, 'raise_minutes' => 4, 'wheels_off_minutes' => 6, 'bleed_minutes' => 12, 'confirm_above_cents' => 8000, 'tools' => $tools]));
    }

    /**
     * Simulates a press on every circuit.
     *
     * @param array<string, array<string, float>> $effects
     * @param non-empty-list<float>               $at      seconds
     *
     * @return array<string, array{travel: float, kpa: array<string, float>, torque: array<string, float>, inner: array<string, float>}> by time as text
     */
    public static function press(Layout $layout, array $effects, float $footN, array $at, ?float $vacuum = null, ?Foot $foot = null, float $tolerance = 1.0): array
    {
        $fault = new Effects($effects);
        $booster = new Booster($layout, $vacuum ?? $layout->vacuumKpa, $fault->value('booster', 'stuck', 0.0));
        $foot ??= Foot::press($footN);
        $seen = [];
        foreach ($layout->chambers as $chamber) {
            $circuit = (new CircuitBuilder($layout))->build($chamber, $fault);
            $states = (new CircuitSolver($tolerance))->run($circuit, CircuitState::atRest($circuit), $foot, $booster, max($at), $at);
            foreach ($at as $n => $t) {
                $key = \sprintf('%.2f', $t);
                $seen[$key] ??= ['travel' => $layout->pedalRatio * $layout->pedalFreeMm, 'kpa' => [], 'torque' => [], 'inner' => []];
                $seen[$key]['travel'] += $layout->pedalRatio * 10.0 * $states[$n]->pistonMl / $layout->masterAreaCm2();
                foreach (array_keys($circuit->wheelNode) as $corner) {
                    $seen[$key]['kpa'][$corner] = $states[$n]->wheelKpa($circuit, $corner);
                    $seen[$key]['torque'][$corner] = $states[$n]->torqueNm($circuit, $corner);
                    $seen[$key]['inner'][$corner] = $states[$n]->inner[$corner];
                }
            }
        }

        return $seen;
    }
}
