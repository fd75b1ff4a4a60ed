<?php

declare(strict_types=1);

// One picture of each main view, made from the demo: php tests/Browser/pictures.php <directory>

use App\Tests\Browser\Chrome;

require dirname(__DIR__, 2).'/vendor/autoload.php';

$to = $argv[1] ?? 'docs/screenshots';
$chrome = Chrome::open((string) getenv('RODREL_TEST_URL'), (string) getenv('RODREL_TEST_DRIVER'));
$chrome->signIn('fenwarren');
$job = static function (string $unit, string $stage, string $show = 'shed') use ($chrome): string {
    $chrome->go('/?show='.$show);
    foreach ($chrome->all('.job-line') as $line) {
        if (str_contains($line->getText(), $unit) && str_contains($line->getText(), $stage)) {
            return (string) parse_url((string) $line->getAttribute('href'), \PHP_URL_PATH);
        }
    }
    throw new RuntimeException("The demo has no $unit at $stage.");
};
$views = [
    'jobs' => '/',
    'intake' => '/jobs/new',
    'bench' => $job('Unit 12', 'Bench').'/bench',
    'check' => $job('Unit 07', 'Bench').'/checks/pedal@vehicle',
    'heat' => $job('Unit 23', 'Report', 'done').'/heat',
    'heat-sheet' => $job('Unit 12', 'Bench').'/checks/heat-arrival@vehicle',
    'checks' => $job('Unit 12', 'Bench').'/checks',
    'finding' => $job('Unit 19', 'Bench').'/finding',
    'repair' => $job('Unit 23', 'Repair sheet').'/repair',
    'items' => $job('Unit 23', 'Repair sheet').'/items',
    'bleed' => $job('Unit 15', 'Bleed run').'/bleed',
    'proof' => $job('Unit 07', 'Proof run').'/proof',
    'shop' => '/shop',
    'vehicle' => $job('Unit 28', 'Repair sheet').'/vehicle',
    'report' => $job('Unit 12', 'Report', 'done').'/report',
];
foreach ($views as $name => $path) {
    $chrome->go($path)->picture("$to/$name.png");
    echo "$name\n";
}
$chrome->size(800, 1280);
$chrome->go($views['bench'])->picture("$to/bench-portrait.png");
$chrome->go(str_replace('/bench', '/checks/spin@vehicle', $views['bench']))->picture("$to/check-portrait.png");
$chrome->quit();
