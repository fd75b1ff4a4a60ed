<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\SignatureBuilder;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Job\Story;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Model\Program;
use Rodrel\Core\Model\VehicleSimulator;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;

/** Measures what has an aim: one simulation, all signatures of a preset, a reading on the bench; and memory. */
#[AsCommand('rodrel:speed', 'Times the simulation, the signatures and a reading on the bench')]
final readonly class SpeedCommand
{
    private const RUNS = 7;

    public function __construct(private Catalogue $catalogue, private Predictions $predictions, private ShopSettings $shop, private string $projectDir)
    {
    }

    public function __invoke(SymfonyStyle $io, #[Option('print JSON instead of a table')] bool $json = false): int
    {
        $rows = [];
        foreach (array_keys($this->catalogue->presets) as $preset) {
            $layout = Layout::fromArray($this->catalogue->presets[$preset]);
            $this->press($layout);
            $rows[] = ['what' => 'one press simulated', 'preset' => $preset, 'aim_ms' => null] + $this->timed(fn () => $this->press($layout));
            $simulations = 0;
            $measured = $this->timed(function () use ($layout, &$simulations): void {
                $simulations = (new SignatureBuilder($this->catalogue))->build($layout)->simulations;
            }, 3);
            $rows[] = ['what' => \sprintf('all signatures, %d simulations', $simulations), 'preset' => $preset, 'aim_ms' => 5000] + $measured;
            $rows[] = ['what' => 'reading to belief and next check', 'preset' => $preset, 'aim_ms' => 60] + $this->onTheWeb($preset);
        }
        $peak = round(memory_get_peak_usage() / 1e6, 1);
        if ($json) {
            $io->writeln((string) json_encode(['format' => 1, 'rows' => $rows, 'peak_memory_mb' => $peak, 'jit' => false !== (\function_exists('opcache_get_status') ? opcache_get_status(false)['jit']['on'] ?? false : false)], \JSON_PRETTY_PRINT));

            return 0;
        }
        $io->table(['what', 'preset', 'aim ms', 'least ms', 'median ms', 'most ms'], array_map(static fn (array $r): array => [$r['what'], $r['preset'], $r['aim_ms'] ?? '', $r['min_ms'], $r['median_ms'], $r['max_ms']], $rows));
        $io->writeln('Peak memory '.$peak.' MB');

        return 0;
    }

    private function press(Layout $layout): void
    {
        (new VehicleSimulator($layout))->run(Program::press(150.0), new Effects(['hose@lf' => ['gf' => 0.002, 'gr' => 3e-5]]));
    }

    /**
     * As a page does it: another process without JIT, the signature from its file of constants, five readings.
     *
     * @return array{min_ms: float, median_ms: float, max_ms: float}
     */
    private function onTheWeb(string $preset): array
    {
        $this->predictions->compute($this->catalogue->vehicle($preset));
        $code = \sprintf('require "vendor/autoload.php"; echo json_encode(%s::bench(%s, %s, %s));', '\\'.self::class, var_export($preset, true), var_export($this->projectDir, true), var_export(serialize($this->shop->isolation()), true));
        $times = [];
        for ($i = 0; $i < self::RUNS; ++$i) {
            $out = shell_exec('cd '.escapeshellarg($this->projectDir).' && '.escapeshellarg(\PHP_BINARY).' -d opcache.enable_cli=1 -d opcache.jit=off -d opcache.file_cache='.escapeshellarg($this->fileCache()).' -r '.escapeshellarg($code));
            $time = json_decode((string) $out, true);
            $times[] = \is_float($time) ? $time : throw new \RuntimeException('The measured process failed: '.$out);
        }

        return $this->spread($times);
    }

    /** @internal called in another process by onTheWeb() */
    public static function bench(string $preset, string $projectDir, string $settings): float
    {
        $loader = new \App\Catalogue\CatalogueLoader($projectDir);
        $catalogue = $loader->load();
        $layout = Layout::fromArray($catalogue->presets[$preset]);
        /** @var \Rodrel\Core\Isolation\Settings $isolation */
        $isolation = unserialize($settings);
        $builder = new SignatureBuilder($catalogue);
        $run = static function () use ($projectDir, $builder, $catalogue, $layout, $isolation): void {
            /** @var array<string, mixed> $data */
            $data = require $projectDir.'/var/signatures/'.$builder->key($layout).'.php';
            $field = Field::of($catalogue, $layout, \Rodrel\Core\Check\Signature::fromArray($data));
            $at = new \DateTimeImmutable('2026-01-01');
            $log = [new Entry('i', 1, Kind::Intake, ['complaint' => 'drags-lf', 'pattern' => 'warm'], '', $at), new Entry('l', 2, Kind::Lift, ['to' => 'wheels-off', 'stands' => true], '', $at)];
            foreach ([['spin@vehicle', ['lf' => 'will-not-turn', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger']], ['bleeder-open@lf', ['' => 'spurts-frees']], ['dust@vehicle', ['lf' => 'dustier', 'rf' => 'like-the-other', 'lr' => 'like-the-other', 'rr' => 'like-the-other']], ['hose-look@lf', ['' => 'sound']]] as $n => [$check, $outcomes]) {
                $log[] = new Entry('r'.$n, $n + 3, Kind::Reading, ['check' => $check, 'outcomes' => $outcomes], '', $at->modify("+$n minutes"));
            }
            JobState::of($catalogue, $field, Story::of($log), $isolation)->verdict();
        };
        $run();
        $start = hrtime(true);
        $run();

        return (hrtime(true) - $start) / 1e6;
    }

    private function fileCache(): string
    {
        $directory = $this->projectDir.'/var/cache/opcache-speed';
        if (!is_dir($directory)) {
            mkdir($directory, 0o775, true);
        }

        return $directory;
    }

    /**
     * @param callable(): void $work
     *
     * @return array{min_ms: float, median_ms: float, max_ms: float}
     */
    private function timed(callable $work, int $runs = self::RUNS): array
    {
        $times = [];
        for ($i = 0; $i < $runs; ++$i) {
            $start = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $start) / 1e6;
        }

        return $this->spread($times);
    }

    /**
     * @param list<float> $times
     *
     * @return array{min_ms: float, median_ms: float, max_ms: float}
     */
    private function spread(array $times): array
    {
        sort($times);

        return ['min_ms' => round($times[0], 2), 'median_ms' => round($times[intdiv(\count($times), 2)], 2), 'max_ms' => round($times[\count($times) - 1], 2)];
    }
}
