<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests;

use App\Catalogue\SourceHash;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Observer\Seen;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Physics\Booster;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\CircuitSolver;
use Rodrel\Core\Physics\CircuitState;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Foot;
use Rodrel\Core\Physics\HeldRod;
use Rodrel\Core\Physics\PedalSource;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;

/** The catalogue as shipped, its presets, and a way to watch them brake. */
final class World
{
    /** What the settings of a shop come to in tests. */
    public const SHOP = [
        'rate_cents_per_hour' => 6000,
        'fluid_cents_per_litre' => 1000,
        'threshold' => 0.9,
        'second_fault' => 0.15,
        'second_fault_after_repair' => 0.4,
        'raise_minutes' => 4,
        'wheels_off_minutes' => 6,
        'bleed_minutes' => 12,
        'confirm_above_cents' => 8000,
        'comeback_cents' => 0,
    ];

    private static ?Catalogue $catalogue = null;
    /** @var array<string, array{Field, SoundSignature}> */
    private static array $predicted = [];
    /** @var array<string, mixed>|null */
    private static ?array $handbook = null;

    /** Whether everything is to be tried, not a sample of it: `./rodrel test every`. */
    public static function isAsked(): bool
    {
        return 'yes' === getenv('RODREL_EVERY');
    }

    public static function catalogue(): Catalogue
    {
        return self::$catalogue ??= Catalogue::fromArray(self::documents());
    }

    /** @return array<string, array<mixed>> decoded files of the catalogue by name */
    public static function documents(): array
    {
        return array_map(
            static fn (string $text): array => json_decode($text, true, 512, \JSON_THROW_ON_ERROR),
            self::texts(),
        );
    }

    /** @return array<string, string> */
    public static function texts(): array
    {
        $texts = [];
        foreach (Catalogue::FILES as $file) {
            $path = 'core/data/'.$file.'.json';
            $mutant = getenv('RODREL_MUTANT') === $path ? getenv('RODREL_MUTANT_FILE') : false;
            $texts[$file] = (string) file_get_contents(
                \is_string($mutant) ? $mutant : \dirname(__DIR__, 2).'/'.$path,
            );
        }

        return $texts;
    }

    /** @return list<string> presets with brake lines; of the others pressures are stand-ins */
    public static function hydraulic(): array
    {
        return array_values(array_filter(
            array_map(strval(...), array_keys(self::catalogue()->presets)),
            static fn (string $preset): bool => self::layout($preset)->reach()->isHydraulic(),
        ));
    }

    /** @param array<string, mixed> $changes merged into the preset */
    public static function layout(string $preset = 'medium-car', array $changes = []): Layout
    {
        return Layout::fromArray(array_replace_recursive(self::catalogue()->presets[$preset], $changes));
    }

    /**
     * The fixed layouts that the handbook's worked numbers belong to; presets may change, these stay.
     *
     * @param array<string, mixed> $changes
     */
    public static function handbook(string $layout = 'medium-car', array $changes = []): Layout
    {
        return Layout::fromArray(array_replace_recursive(self::handbookDocument($layout), $changes));
    }

    /**
     * The same with pipes of 2.5 m: the handbook's numbers take 0.4 mL/s/kPa for each.
     *
     * @param array<string, mixed> $changes
     */
    public static function evenPipes(string $layout = 'medium-car', array $changes = []): Layout
    {
        return self::handbook($layout, $changes + ['pipe_m' => ['lf' => 2.5, 'rf' => 2.5, 'lr' => 2.5, 'rr' => 2.5]]);
    }

    /** @return array<mixed> */
    public static function handbookDocument(string $layout = 'medium-car'): array
    {
        self::$handbook ??= json_decode((string) file_get_contents(__DIR__.'/fixtures/handbook-layouts.json'), true);

        return self::$handbook['layouts'][$layout];
    }

    /** The first severity of a fault at its place. */
    public static function particle(string $suspect, string $preset = 'medium-car'): Particle
    {
        foreach (Particles::of(self::catalogue()->faults, self::layout($preset)) as $particle) {
            if ($particle->suspect->is($suspect)) {
                return $particle;
            }
        }
        throw new \LogicException("There is no $suspect in $preset.");
    }

    public static function subject(Layout $layout): Subject
    {
        return Subject::sane(new Instruments($layout), self::catalogue()->checks, self::catalogue()->complaints);
    }

    /** The number behind one row of a check. */
    public static function probe(Subject $subject, string $check, string $row = ''): float
    {
        $at = CheckAt::parse($check);
        $definition = self::catalogue()->checks->of($at);
        $of = $definition->row($row) ?? throw new \LogicException("$check has no row $row");
        $probe = $of->observer->source->probe ?? throw new \LogicException("$check/$row has no probe");

        return $probe->read($subject, Asked::of($definition, $at->place, $of));
    }

    public static function see(Subject $subject, string $check, string $row = ''): Seen
    {
        $at = CheckAt::parse($check);
        $definition = self::catalogue()->checks->of($at);
        $of = $definition->row($row) ?? throw new \LogicException("$check has no row $row");

        return $of->observer->see($subject, Asked::of($definition, $at->place, $of), null);
    }

    public static function prediction(Layout $layout, ?Catalogue $catalogue = null): Prediction
    {
        $catalogue ??= self::catalogue();

        return new Prediction($layout, $catalogue->checks, $catalogue->complaints, $catalogue->keys(self::sources()));
    }

    public static function field(string $preset): Field
    {
        return self::predicted($preset)[0];
    }

    public static function sound(string $preset): SoundSignature
    {
        return self::predicted($preset)[1];
    }

    /** @param list<Entry> $log */
    public static function state(array $log, string $preset = 'medium-car'): JobState
    {
        $story = Story::of($log, self::catalogue()->checks->keeping());

        return JobState::of(self::catalogue(), self::layout($preset), self::sound($preset), $story);
    }

    public static function diagnosis(JobState $state, string $preset = 'medium-car'): Diagnosis
    {
        return Diagnosis::of(self::field($preset), $state, self::settings());
    }

    /**
     * @param list<string>|null $tools
     * @param array<string, mixed> $more
     */
    public static function settings(?array $tools = null, array $more = []): Settings
    {
        return Settings::fromShape(
            new Shape(
                $more + self::SHOP + ['tools' => $tools],
            ),
        );
    }

    /**
     * Simulates a press on every circuit.
     *
     * @param array<string, array<string, float>> $effects
     * @param non-empty-list<float> $at seconds
     *
     * @return array<string, array{travel: float, kpa: array<string, float>, torque: array<string, float>,
     *               inner: array<string, float>}> by time as text
     */
    public static function press(
        Layout $layout,
        array $effects,
        float $footN,
        array $at,
        ?float $vacuum = null,
        ?Foot $foot = null,
        float $tolerance = 1.0,
    ): array {
        $fault = new Effects($effects);
        $stuck = $fault->value('booster', null, 'stuck', 0.0);
        $source = new PedalSource(
            $foot ?? Foot::press($footN),
            new Booster($layout, $vacuum ?? $layout->assist->vacuumKpa, new HeldRod($stuck)),
        );
        $seen = [];
        foreach ($layout->chambers as $chamber) {
            $circuit = (new CircuitBuilder($layout))->build($chamber, $fault);
            $start = CircuitState::atRest($circuit);
            $states = (new CircuitSolver($tolerance))->run($circuit, $start, $source, max($at), $at);
            foreach ($at as $n => $t) {
                $key = \sprintf('%.2f', $t);
                $free = $layout->pedal->ratio * $layout->pedal->freeMm;
                $seen[$key] ??= ['travel' => $free, 'kpa' => [], 'torque' => [], 'inner' => []];
                $moved = (10.0 * $states[$n]->pistonMl) / $layout->masterAreaCm2();
                $seen[$key]['travel'] += $layout->pedal->ratio * $moved;
                foreach (array_keys($circuit->wheelNode) as $corner) {
                    $seen[$key]['kpa'][$corner] = $states[$n]->wheelKpa($circuit, $corner);
                    $seen[$key]['torque'][$corner] = $states[$n]->torqueNm($circuit, $corner);
                    $seen[$key]['inner'][$corner] = $states[$n]->inner[$corner];
                }
            }
        }

        return $seen;
    }

    /**
     * What every fault of a preset would show: kept between runs by a key that holds the sources, so that no test
     * passes on what yesterday's code computed.
     *
     * @return array{Field, SoundSignature}
     */
    private static function predicted(string $preset): array
    {
        if (!isset(self::$predicted[$preset])) {
            $layout = self::layout($preset);
            $catalogue = self::catalogue();
            $key = $catalogue->keys(self::sources())->all($layout);
            $directory = \dirname(__DIR__, 2).'/var/signatures/test/';
            if (is_file($directory.$key.'.php') && is_file($directory.$key.'.sound.php')) {
                $signature = Signature::fromArray(require $directory.$key.'.php');
                $sound = SoundSignature::fromArray(require $directory.$key.'.sound.php');
            } else {
                $prediction = self::prediction($layout);
                $faults = array_map($prediction->fault(...), array_values($catalogue->faults->all));
                $sound = $prediction->sound();
                $signature = Signature::of($key, $layout, $catalogue->checks, $sound, $faults);
            }
            self::$predicted[$preset] = [Field::of($catalogue->knowledge(), $layout, $signature), $sound];
        }

        return self::$predicted[$preset];
    }

    /** The identity of the sources that predict, as the application works it out. */
    private static function sources(): string
    {
        $sources = new SourceHash(\dirname(__DIR__, 2));
        $mutant = getenv('RODREL_MUTANT');
        $predicts
            = \is_string($mutant)
            && \in_array(substr($mutant, \strlen('core/src/')), $sources->predictingFiles(), true);

        return $sources->predicting().($predicts ? hash_file('sha256', (string) getenv('RODREL_MUTANT_FILE')) : '');
    }
}
