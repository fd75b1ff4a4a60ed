<?php

declare(strict_types=1);

/*
 * Many browsers at once, on loopback, for a few seconds each: the list, a bench, and entries that are recorded.
 *
 * php tests/Attack/load.php BASE ROUTES [--seconds N] [--clients 1,8,32]
 *
 * Prints p50 and p95 in ms and as ratios to the empty page alone, and every answer that was none of 200, 302, 303.
 * The aim: the bench's p95 at 8 clients under 20 times the empty page alone.
 */

use App\Tests\Attack\Visitor;

$root = dirname(__DIR__, 2);
require $root.'/vendor/autoload.php';
$options = ['seconds' => '8', 'clients' => '1,8,32'];
for ($n = 3; $n < $argc; $n += 2) {
    $name = ltrim($argv[$n], '-');
    isset($options[$name], $argv[$n + 1]) || exit("load knows --seconds N and --clients N,N, not '$argv[$n]'\n");
    $options[$name] = $argv[$n + 1];
}
$visitor = new Visitor($argv[1]);
$visitor->signIn('fenwarren') || exit("the demo's technician could not sign in\n");
preg_match_all('#/jobs/([0-9a-f-]{36})#', $visitor->send('GET', '/')->body, $found);
$jobs = array_values(array_unique($found[1]));
$uuid = static fn (): string => vsprintf('%s-%s-7%s-8%s-%s', [
    bin2hex(random_bytes(4)),
    bin2hex(random_bytes(2)),
    substr(bin2hex(random_bytes(2)), 1),
    substr(bin2hex(random_bytes(2)), 1),
    bin2hex(random_bytes(6)),
]);
$what = [
    'empty page' => static fn (): array => ['GET', '/jobs/import', null],
    'list' => static fn (): array => ['GET', '/', null],
    'bench' => static fn (): array => ['GET', '/jobs/'.$jobs[array_rand($jobs)].'/bench', null],
    'post' => static fn (): array => ['POST', '/jobs/'.$jobs[array_rand($jobs)].'/entries', [
        '_token' => 'csrf-token', 'entry' => $uuid(), 'kind' => 'item', 'text' => 'load',
    ]],
];
$percentile = static function (array $sorted, float $share): float {
    return $sorted[(int) min(count($sorted) - 1, floor($share * count($sorted)))];
};
$bad = 0;
$alone = null;
printf("%-12s %8s %6s %9s %9s %8s %8s %6s\n", 'page', 'clients', 'n', 'p50 ms', 'p95 ms', 'p50 ×', 'p95 ×', 'errors');
foreach ($what as $page => $make) {
    foreach (array_map(intval(...), explode(',', $options['clients'])) as $clients) {
        if ('empty page' === $page && 1 !== $clients) {
            continue;
        }
        $times = $running = [];
        $errors = 0;
        $multi = curl_multi_init();
        $until = microtime(true) + (float) $options['seconds'];
        $add = static function () use ($multi, $make, $visitor, &$running): void {
            [$method, $path, $body] = $make();
            $curl = $visitor->prepared($method, $path, $body);
            curl_multi_add_handle($multi, $curl);
            $running[spl_object_id($curl)] = hrtime(true);
        };
        for ($n = 0; $n < $clients; ++$n) {
            $add();
        }
        while ([] !== $running) {
            curl_multi_exec($multi, $active);
            while (false !== ($done = curl_multi_info_read($multi))) {
                $curl = $done['handle'];
                $times[] = (hrtime(true) - $running[spl_object_id($curl)]) / 1e6;
                $errors += (int) !in_array(curl_getinfo($curl, \CURLINFO_RESPONSE_CODE), [200, 302, 303], true);
                unset($running[spl_object_id($curl)]);
                curl_multi_remove_handle($multi, $curl);
                if (microtime(true) < $until) {
                    $add();
                }
            }
            curl_multi_select($multi, 0.05);
        }
        sort($times);
        $alone ??= $percentile($times, 0.5);
        [$p50, $p95] = [$percentile($times, 0.5), $percentile($times, 0.95)];
        $row = [$page, $clients, count($times), $p50, $p95, $p50 / $alone, $p95 / $alone, $errors];
        vprintf("%-12s %8d %6d %9.1f %9.1f %8.1f %8.1f %6d\n", $row);
        $bad += $errors;
    }
}
exit($bad > 0 ? 1 : 0);
