<?php

declare(strict_types=1);

/*
 * Says whether the compiler is on, then prints one line per fault of a preset with the hash of what it would show: run
 * once with the just-in-time compiler
 * and once without, the two must be the same text.
 *
 * php predictions.php <preset> [<fault> …]
 */

use Rodrel\Core\Tests\World;

require dirname(__DIR__, 3).'/vendor/autoload.php';

[, $preset] = $argv;
echo 'just-in-time compiler ', opcache_get_status(false)['jit']['on'] ?? false ? 'on' : 'off', "\n";
World::catalogue();
$before = get_included_files();
$prediction = World::prediction(World::layout($preset));
foreach (World::catalogue()->faults as $fault) {
    if ([] === array_slice($argv, 2) || in_array($fault->id, array_slice($argv, 2), true)) {
        echo $preset, ' ', $fault->id, ' ', hash('sha256', serialize($prediction->fault($fault)->toArray())), "\n";
    }
}
// the files of the core that computing alone has loaded
foreach (array_diff(get_included_files(), $before) as $file) {
    if (str_contains($file, '/core/src/')) {
        fwrite(\STDERR, 'loaded '.explode('/core/src/', $file)[1]."\n");
    }
}
