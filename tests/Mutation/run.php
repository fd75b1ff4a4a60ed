<?php

declare(strict_types=1);

/*
 * Breaks the core one line at a time and counts how often a test notices.
 *
 * php tests/Mutation/run.php [--sample N] [--seed N] [--since COMMIT] [--only PATH] [--workers N]
 *
 * A verdict is kept until a source or a test changes, so that a run that was ended goes on where it stopped.
 */

use App\Tests\Mutation\Coverage;
use App\Tests\Mutation\Mutant;
use App\Tests\Mutation\Mutants;
use App\Tests\Mutation\Victim;
use Random\Engine\Mt19937;
use Random\Randomizer;

$root = dirname(__DIR__, 2);
require $root.'/vendor/autoload.php';
chdir($root);

$options = ['sample' => '120', 'seed' => '1', 'since' => '', 'only' => 'core/src/', 'workers' => '2'];
for ($n = 1; $n < $argc; $n += 2) {
    $name = ltrim($argv[$n], '-');
    if (!isset($options[$name], $argv[$n + 1])) {
        fwrite(
            \STDERR,
            "mutation knows --sample N, --seed N, --since COMMIT, --only PATH and --workers N, not '$argv[$n]'\n",
        );
        exit(2);
    }
    $options[$name] = $argv[$n + 1];
}
$filesIn = static function (string $directory, string $ending) use ($root): array {
    $files = [];
    foreach (
        new RecursiveIteratorIterator(
            new RecursiveDirectoryIterator("$root/$directory", FilesystemIterator::SKIP_DOTS),
        ) as $file
    ) {
        if (str_ends_with((string) $file, $ending)) {
            $files[] = substr((string) $file, strlen($root) + 1);
        }
    }
    sort($files);

    return $files;
};
$everything = [...$filesIn('core', '.php'), ...$filesIn('core', '.json'), ...$filesIn('tests/Scenario', '')];
$state = substr(
    hash(
        'sha256',
        implode('', array_map(static fn (string $file): string => $file.hash_file('sha256', $file), $everything)),
    ),
    0,
    12,
);
$home = $root.'/var/mutation';
is_dir($home) || mkdir($home, 0o755, true);
$coverage = Coverage::measured($root, "$home/coverage-$state.json");
$kept = "$home/verdicts-$state.json";
$verdicts = is_file($kept) ? json_decode((string) file_get_contents($kept), true) : [];

$changed = null;
if ('' !== $options['since']) {
    exec('git diff -U0 '.escapeshellarg($options['since']).' -- core/src', $diff, $code);
    0 === $code || exit($code);
    $file = '';
    $changed = [];
    foreach ($diff as $line) {
        if (str_starts_with($line, '+++ b/')) {
            $file = substr($line, 6);
        } elseif (1 === preg_match('/^@@ -\S+ \+(\d+)(?:,(\d+))? @@/', $line, $at)) {
            foreach (range((int) $at[1], (int) $at[1] + max(1, (int) ($at[2] ?? 1)) - 1) as $number) {
                $changed[$file][$number] = true;
            }
        }
    }
}
$mutants = [];
$all = 0;
foreach ($filesIn('core/src', '.php') as $path) {
    if (!str_starts_with($path, $options['only'])) {
        continue;
    }
    foreach (Mutants::of($path, (string) file_get_contents($path)) as $mutant) {
        if (null !== $changed && !isset($changed[$path][$mutant->line])) {
            continue;
        }
        ++$all;
        if ($coverage->covers($mutant)) {
            $mutants[] = $mutant;
        }
    }
}
printf(
    "%d mutants, %d of them on lines that a test walks over; %d are tried (seed %d)\n",
    $all,
    count($mutants),
    min((int) $options['sample'], count($mutants)),
    (int) $options['seed'],
);
$mutants = array_slice(
    (new Randomizer(new Mt19937((int) $options['seed'])))->shuffleArray($mutants),
    0,
    (int) $options['sample'],
);
$counted = [Victim::KILLED => 0, Victim::TIMEOUT => 0, Victim::SURVIVED => 0];
$survivors = $running = [];
$count = static function (Mutant $mutant, string $verdict) use (&$counted, &$survivors): void {
    ++$counted[$verdict];
    if (Victim::SURVIVED === $verdict) {
        $survivors[] = $mutant->said();
    }
    echo Victim::SURVIVED === $verdict ? 'S' : (Victim::TIMEOUT === $verdict ? 'T' : '.');
};
while ([] !== $mutants || [] !== $running) {
    while ([] !== $mutants && count($running) < (int) $options['workers']) {
        $mutant = array_shift($mutants);
        $code = (string) file_get_contents($mutant->path);
        $id = $mutant->id($code);
        if (isset($verdicts[$id])) {
            $count($mutant, $verdicts[$id]);
            continue;
        }
        $running[$id] = [
            $mutant,
            Victim::start($root, $mutant->path, $mutant->applied($code), $coverage->filter($mutant)),
        ];
    }
    foreach ($running as $id => [$mutant, $victim]) {
        if (null !== ($verdict = $victim->verdict())) {
            $verdicts[$id] = $verdict;
            file_put_contents($kept, json_encode($verdicts));
            $count($mutant, $verdict);
            unset($running[$id]);
        }
    }
    usleep(20_000);
}
$n = array_sum($counted);
$p = $n > 0 ? ($n - $counted[Victim::SURVIVED]) / $n : 1.0;
// Wilson's interval at 95 %
$z = 1.96;
$middle = $n > 0 ? ($p + ($z * $z) / (2 * $n)) / (1 + ($z * $z) / $n) : 1.0;
$half = $n > 0 ? ($z / (1 + ($z * $z) / $n)) * sqrt(($p * (1 - $p)) / $n + ($z * $z) / (4 * $n * $n)) : 0.0;
printf(
    "\n\n%d tried: %d killed, %d timed out, %d survived — %.1f %% noticed (95 %%: %.1f to %.1f)\n",
    $n,
    $counted['killed'],
    $counted['timeout'],
    $counted['survived'],
    100 * $p,
    100 * ($middle - $half),
    100 * ($middle + $half),
);
echo implode("\n", $survivors), [] === $survivors ? '' : "\n";
