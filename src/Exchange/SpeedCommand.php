<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Catalogue\CatalogueLoader;
use App\Catalogue\SourceHash;
use App\Prediction\FaultByFault;
use App\Prediction\Predictions;
use App\Prediction\SignatureFiles;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;

/** Measures what has an aim: simulation, predictions, judgement, long logs; and pages against an empty one. */
#[AsCommand('rodrel:speed', 'Times the simulation, the predictions, a reading on the bench, and pages')]
final readonly class SpeedCommand
{
    private const RUNS = 7;
    private const FEW = 10;
    private const MANY = 300;
    /** A fault that touches one circuit only, as most do. */
    private const CHANGED = 'hose.one-way';

    public function __construct(
        private Catalogue $catalogue,
        private Predictions $predictions,
        private ShopSettings $shop,
        private PageTimes $pages,
        private SourceHash $sources,
        private string $projectDir,
    ) {
    }

    public function __invoke(
        SymfonyStyle $io,
        #[Option('print JSON instead of a table')] bool $json = false,
        #[Option('a running demo shop, http://127.0.0.1:8377: its pages are timed too')] ?string $pages = null,
        #[Option('nothing but the pages')] bool $onlyPages = false,
    ): int {
        $rows = $onlyPages ? [] : $this->ofTheModel();
        array_push($rows, ...null === $pages ? [] : $this->pages->measure($pages));
        $peak = round(memory_get_peak_usage() / 1e6, 1);
        if ($json) {
            $io->writeln(
                (string) json_encode(['format' => 1, 'rows' => $rows, 'peak_memory_mb' => $peak], \JSON_PRETTY_PRINT),
            );

            return 0;
        }
        $io->table(['what', 'of', 'aim', 'least ms', 'median ms', 'most ms'], array_map(array_values(...), $rows));
        $io->writeln('Peak memory '.$peak.' MB');

        return 0;
    }

    /** @return list<array{what: string, of: string, aim: string, min: float, median: float, max: float}> */
    private function ofTheModel(): array
    {
        $rows = [];
        foreach (array_keys($this->catalogue->presets) as $preset) {
            array_push($rows, ...$this->ofPreset($preset));
        }
        $preset = array_key_first($this->catalogue->presets);
        $few = $this->onTheWeb((string) $preset, self::FEW);
        $many = $this->onTheWeb((string) $preset, self::MANY);
        $rows[] = ['what' => self::FEW.' readings judged', 'of' => (string) $preset, 'aim' => ''] + $few;
        $rows[] = ['what' => self::MANY.' readings judged', 'of' => (string) $preset, 'aim' => ''] + $many;

        return $rows;
    }

    /** @return list<array{what: string, of: string, aim: string, min: float, median: float, max: float}> */
    private function ofPreset(string $preset): array
    {
        $layout = Layout::fromArray($this->catalogue->vehicle($preset));
        $this->press($layout);
        $fault = $this->catalogue->faults->of(self::CHANGED);

        return [
            ['what' => 'one press simulated', 'of' => $preset, 'aim' => '']
            + Times::of(fn () => $this->press($layout), self::RUNS),
            ['what' => 'all predictions', 'of' => $preset, 'aim' => '5000 ms']
            + Times::of(fn () => $this->predict($layout, array_values($this->catalogue->faults->all)), 1),
            ['what' => 'after one changed fault', 'of' => $preset, 'aim' => '1000 ms']
            + Times::of(fn () => $this->predict($layout, [$fault]), 3),
            ['what' => 'reading to belief', 'of' => $preset, 'aim' => '30 ms']
            + $this->onTheWeb($preset, self::FEW, false),
            ['what' => 'reading to belief, next check and reasons', 'of' => $preset, 'aim' => '']
            + $this->onTheWeb($preset, self::FEW),
        ];
    }

    private function press(Layout $layout): void
    {
        $fault = new Effects(['hose@lf' => ['gf' => 0.002, 'gr' => 3e-5]]);
        (new VehicleSimulator($layout))->run(Program::press(), $fault);
    }

    private function prediction(Layout $layout): Prediction
    {
        $keys = $this->catalogue->keys($this->sources->predicting());

        return new Prediction($layout, $this->catalogue->checks, $this->catalogue->complaints, $keys);
    }

    /** @param list<Fault> $faults */
    private function predict(Layout $layout, array $faults): void
    {
        $prediction = $this->prediction($layout);
        $prediction->sound();
        (new FaultByFault($prediction))->run($faults, static function (): void {});
    }

    /**
     * As a page does it: another process without the just-in-time compiler, predictions from their file of constants.
     *
     * @param bool $advised with all that follows from the belief
     *
     * @return array{min: float, median: float, max: float}
     */
    private function onTheWeb(string $preset, int $readings, bool $advised = true): array
    {
        $this->predictions->compute($this->catalogue->vehicle($preset));
        $key = $this->predictions->key(Layout::fromArray($this->catalogue->vehicle($preset)));
        $code = \sprintf(
            'require "vendor/autoload.php"; echo json_encode(%s::bench(%s, %s, %s, %s, %d, %s));',
            '\\'.self::class,
            var_export($preset, true),
            var_export($key, true),
            var_export($this->projectDir, true),
            var_export(serialize($this->shop->isolation()), true),
            $readings,
            var_export($advised, true),
        );
        $cache = $this->projectDir.'/var/cache/opcache-speed';
        if (!is_dir($cache)) {
            mkdir($cache, 0o775, true);
        }
        $php = \sprintf(
            'cd %s && %s -d opcache.enable_cli=1 -d opcache.jit=off -d opcache.file_cache=%s -r %s',
            escapeshellarg($this->projectDir),
            escapeshellarg(\PHP_BINARY),
            escapeshellarg($cache),
            escapeshellarg($code),
        );
        $times = [];
        for ($i = 0; $i < self::RUNS; ++$i) {
            $out = shell_exec($php);
            $time = json_decode((string) $out, true);
            $times[] = \is_float($time) ? $time : throw new \RuntimeException('The measured process failed: '.$out);
        }

        return Times::spread($times);
    }

    /** @internal called in another process by onTheWeb() */
    public static function bench(
        string $preset,
        string $key,
        string $projectDir,
        string $settings,
        int $readings,
        bool $advised,
    ): float {
        $catalogue = (new CatalogueLoader($projectDir))->load();
        $layout = Layout::fromArray($catalogue->vehicle($preset));
        $files = new SignatureFiles($projectDir.'/var/signatures');
        $signature = $files->signature($key) ?? throw new \RuntimeException('The predictions were just made.');
        $sound = $files->sound($key);
        $settings = unserialize($settings);
        if (!$settings instanceof Settings) {
            throw new \RuntimeException('No settings.');
        }
        $log = self::log($catalogue, $layout, $readings);
        $run = static function () use ($catalogue, $layout, $signature, $sound, $settings, $log, $advised): void {
            $field = Field::of($catalogue->knowledge(), $layout, $signature);
            $state = JobState::of($catalogue, $layout, $sound, Story::of($log));
            $diagnosis = Diagnosis::of($field, $state, $settings);
            $advised && $diagnosis->judgement();
        };
        $run();
        $start = hrtime(true);
        $run();

        return (hrtime(true) - $start) / 1e6;
    }

    /** @return list<Entry> the same few checks over and over: of two readings of one check the later stands */
    private static function log(Catalogue $catalogue, Layout $layout, int $readings): array
    {
        $at = new \DateTimeImmutable('2026-01-01');
        // what such a vehicle's driver is not asked he does not say
        $asked = static fn (string $check): bool => [] !== $catalogue->checks->of($check)->everywhere($layout);
        $intake = new IntakePayload(
            [$asked('complaint') ? 'drags-lf' : ''],
            $asked('pattern') ? 'warm' : '',
            new Arrival(),
            [],
            '',
        );
        $log = [new Entry('i', 1, $intake, '', $at)];
        $checks = [];
        foreach ($catalogue->checks as $check) {
            foreach ($check->everywhere($layout) as $place) {
                $checks[] = [$check, $place];
            }
        }
        for ($n = 0; $n < $readings; ++$n) {
            [$check, $place] = $checks[$n % \count($checks)];
            $words = [];
            foreach ($check->rows as $row) {
                $words[$row->id] = $row->observer->wording->best();
            }
            $payload = new ReadingPayload($place, $words);
            $log[] = new Entry('r'.$n, $n + 2, $payload, '', $at->modify("+$n minutes"));
        }

        return $log;
    }
}
