<?php

declare(strict_types=1);

/*
 * Sends entries to a shop on two database nodes (deploy/two-nodes). Half way the serving node is killed (signal 9) and
 * the other one promoted. Each entry is sent until it is answered with "recorded", always under the same number, as a
 * tablet does; afterwards each must be there once.
 *
 * php tests/Attack/failover.php BASE ROUTES [--entries N]
 */

use App\Tests\Attack\Visitor;

$root = dirname(__DIR__, 2);
require $root.'/vendor/autoload.php';
$options = ['entries' => '200'];
for ($n = 3; $n < $argc; $n += 2) {
    $name = ltrim($argv[$n], '-');
    isset($options[$name], $argv[$n + 1]) || exit("failover knows --entries N, not '$argv[$n]'\n");
    $options[$name] = $argv[$n + 1];
}
$visitor = new Visitor($argv[1]);
$visitor->signIn('fenwarren') || exit("the demo's technician could not sign in\n");
preg_match('#/jobs/([0-9a-f-]{36})#', $visitor->send('GET', '/')->body, $found);
$job = $found[1];
$nodes = getenv('RODREL_TWO_NODES') ?: $root.'/var/two-nodes';
$promoting = null;
$acknowledged = [];
$sent = 0;
$waited = 0.0;
for ($n = 0; $n < (int) $options['entries']; ++$n) {
    if (intdiv((int) $options['entries'], 2) === $n) {
        $serving = trim((string) file_get_contents("$nodes/serves"));
        posix_kill((int) strtok((string) file_get_contents("$nodes/$serving/postmaster.pid"), "\n"), \SIGKILL);
        // somebody notices after a while
        $promoting = proc_open(['sh', '-c', 'sleep 1; exec "$0" failover', "$root/deploy/two-nodes"], [
            1 => ['file', "$nodes/failover.log", 'w'],
            2 => ['file', "$nodes/failover.log", 'a'],
        ], $pipes);
    }
    $id = preg_replace('/^(.{8})(.{4}).(.{3}).(.{3})/', '$1-$2-7$3-8$4-', bin2hex(random_bytes(16)));
    $since = hrtime(true);
    for ($try = 0; $try < 600; ++$try) {
        ++$sent;
        $answer = $visitor->send('POST', "/jobs/$job/entries", [
            '_token' => 'csrf-token', 'entry' => $id, 'kind' => 'item', 'text' => 'entry '.$n,
        ]);
        if (303 === $answer->status) {
            $acknowledged[] = $id;
            break;
        }
        302 === $answer->status ? $visitor->signIn('fenwarren') : usleep(100_000);
    }
    $waited = max($waited, (hrtime(true) - $since) / 1e9);
}
$promoted = null === $promoting ? 1 : proc_close($promoting);
echo (string) @file_get_contents("$nodes/failover.log");
$entries = json_decode($visitor->send('GET', "/jobs/$job/job.json")->body, true)['entries'] ?? [];
$ids = array_column($entries, 'id');
$lost = count(array_diff($acknowledged, $ids));
$double = count($ids) - count(array_unique($ids));
$order = array_values(array_intersect($ids, $acknowledged)) === $acknowledged ? 0 : 1;
$gap = array_column($entries, 'seq') === range(1, count($entries)) ? 0 : 1;
$never = (int) $options['entries'] - count($acknowledged);
printf(
    "%d sent, %d acknowledged, longest wait %.1f s; %d lost, %d doubled, %d out of order, %d gaps, %d never\n",
    $sent,
    count($acknowledged),
    $waited,
    $lost,
    $double,
    $order,
    $gap,
    $never,
);
exit(0 === $lost + $double + $order + $gap + $never + $promoted ? 0 : 1);
