<?php

declare(strict_types=1);

/*
 * Computes faults of a preset side by side, prints one hash a fault and then how many signals this process took in
 * meanwhile. With "storm" another process sends it one every third of a millisecond.
 *
 * php storm.php calm|storm <preset> <fault> …
 */

use App\Prediction\FaultByFault;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Tests\World;

require dirname(__DIR__, 3).'/vendor/autoload.php';

[, $weather, $preset] = $argv;
$prediction = World::prediction(World::layout($preset));
$prediction->sound();
$faults = array_map(World::catalogue()->faults->of(...), array_slice($argv, 3));
$taken = 0;
pcntl_async_signals(true);
pcntl_signal(\SIGALRM, static function () use (&$taken): void {
    ++$taken;
});
$computing = (int) getmypid();
$sender = 'storm' === $weather ? pcntl_fork() : -1;
if (0 === $sender) {
    for ($n = 0; $n < 60000 && posix_getppid() === $computing && posix_kill($computing, \SIGALRM); ++$n) {
        usleep(300);
    }
    posix_kill((int) getmypid(), \SIGKILL);
}
$hashes = [];
(new FaultByFault($prediction))->run($faults, static function (int $n, FaultSignature $shown) use (&$hashes): void {
    $rows = $shown->rows;
    ksort($rows);
    $hashes[$n] = hash('sha256', serialize($rows));
});
if ($sender > 0) {
    posix_kill($sender, \SIGKILL);
}
ksort($hashes);
echo implode("\n", $hashes), "\n", $taken, "\n";
