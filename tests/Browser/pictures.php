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
    'pedal' => $job('Unit 09', 'sinks').'/pedal',
    'heat' => $job('Unit 23', 'Report', 'done').'/heat',
    'finding' => $job('Unit 17', 'Repair sheet').'/finding',
    'work' => $job('Unit 23', 'Repair sheet').'/work',
    'repair' => $job('Unit 23', 'Repair sheet').'/repair',
    'bleed' => $job('Unit 15', 'Bleed run').'/bleed',
    'proof' => $job('Unit 07', 'Final test').'/proof',
    'shop' => '/shop',
    'measure' => $job('Unit 09', 'shakes').'/measure',
    'condition' => $job('Unit 21', 'looked over').'/condition',
    'report' => $job('Unit 12', 'Report', 'done').'/report',
    'customer' => $job('Unit 12', 'Report', 'done').'/customer',
];
foreach ($views as $name => $path) {
    $chrome->go($path)->picture("$to/$name.png");
    echo "$name\n";
}
$chrome->go($views['condition'])->tap('.head-title a');
$chrome->picture("$to/unit.png");
$chrome->size(800, 1280);
$chrome->go($views['bench'])->picture("$to/bench-portrait.png");
$chrome->go($job('Unit 07', 'all wheels').'/round')->picture("$to/round-portrait.png");
$chrome->quit();
