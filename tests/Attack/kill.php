<?php

declare(strict_types=1);

/*
 * Kills processes of a shop (signal 9) while entries are being recorded, and looks afterwards whether each entry that
 * was answered with "recorded" is there: once, in order, without a gap.
 *
 * php tests/Attack/kill.php BASE ROUTES [--kills N] [--seed N]
 */

use App\Tests\Attack\Visitor;
use Random\Engine\Mt19937;
use Random\Randomizer;

$root = dirname(__DIR__, 2);
require $root.'/vendor/autoload.php';
$options = ['kills' => '200', 'seed' => '1'];
for ($n = 3; $n < $argc; $n += 2) {
    $name = ltrim($argv[$n], '-');
    isset($options[$name], $argv[$n + 1]) || exit("kill knows --kills N and --seed N, not '$argv[$n]'\n");
    $options[$name] = $argv[$n + 1];
}
$shop = dirname($argv[2], 2);
$chance = new Randomizer(new Mt19937((int) $options['seed']));
$visitor = new Visitor($argv[1]);
$visitor->signIn('fenwarren') || exit("the demo's technician could not sign in\n");
preg_match('#/jobs/([0-9a-f-]{36})#', $visitor->send('GET', '/')->body, $found);
$job = $found[1];
$children = static function (int $of): array {
    exec('ps -o pid= --ppid '.$of, $lines);

    return array_map(intval(...), $lines);
};
$number = static fn (string $file): int => (int) strtok((string) @file_get_contents("$shop/var/$file"), "\n");
$victims = [
    'web server' => static fn (): int => $number('run/nginx.child'),
    'one of its workers' => static fn (): int => $children($number('run/nginx.child'))[0] ?? 0,
    'php' => static fn (): int => $number('run/php-fpm.child'),
    'one that answers' => static function () use ($number, $children, $chance): int {
        $all = $children($number('run/php-fpm.child'));

        return [] === $all ? 0 : $all[$chance->getInt(0, count($all) - 1)];
    },
    'database' => static fn (): int => $number('pg/shop/postmaster.pid'),
    'a connection of it' => static function () use ($number, $children, $chance): int {
        $all = $children($number('pg/shop/postmaster.pid'));

        return [] === $all ? 0 : $all[$chance->getInt(0, count($all) - 1)];
    },
    'worker' => static fn (): int => $number('run/worker.child'),
];
$acknowledged = $waits = $killed = [];
$sent = 0;
for ($kill = 1; $kill <= (int) $options['kills']; ++$kill) {
    $name = array_keys($victims)[$chance->getInt(0, count($victims) - 1)];
    // the blow falls somewhere within the next few entries
    $at = hrtime(true) + $chance->getInt(0, 150) * 1_000_000;
    $struck = false;
    $down = null;
    for ($n = 0; $n < 400; ++$n) {
        if (!$struck && hrtime(true) >= $at) {
            $pid = $victims[$name]();
            if ($pid > 1) {
                posix_kill($pid, \SIGKILL);
                $killed[$name] = ($killed[$name] ?? 0) + 1;
            }
            $struck = true;
            $down = hrtime(true);
        }
        $id = preg_replace('/^(.{8})(.{4}).(.{3}).(.{3})/', '$1-$2-7$3-8$4-', bin2hex(random_bytes(16)));
        ++$sent;
        $answer = $visitor->send('POST', "/jobs/$job/entries", [
            '_token' => 'csrf-token', 'entry' => $id, 'kind' => 'item', 'text' => 'kill '.$kill,
        ]);
        if (303 === $answer->status) {
            $acknowledged[] = $id;
            if ($struck) {
                $waits[$name][] = (hrtime(true) - $down) / 1e9;
                break;
            }
        } elseif (302 === $answer->status) {
            $visitor->signIn('fenwarren');
        } else {
            usleep(50_000);
        }
    }
    echo 0 === $kill % 20 ? " $kill\n" : '.';
}
$answer = $visitor->send('GET', "/jobs/$job/job.json");
for ($n = 0; $n < 100 && 200 !== $answer->status; ++$n) {
    usleep(200_000);
    $answer = $visitor->send('GET', "/jobs/$job/job.json");
}
$entries = json_decode($answer->body, true)['entries'] ?? [];
$ids = array_column($entries, 'id');
$lost = array_diff($acknowledged, $ids);
$double = count($ids) - count(array_unique($ids));
$order = array_values(array_intersect($ids, $acknowledged)) === $acknowledged ? 0 : 1;
$gap = array_column($entries, 'seq') === range(1, count($entries)) ? 0 : 1;
printf("\n%-20s %6s %10s %10s\n", 'killed', 'times', 'median s', 'longest s');
ksort($waits);
foreach ($waits as $name => $seconds) {
    sort($seconds);
    $median = $seconds[intdiv(count($seconds), 2)];
    vprintf("%-20s %6d %10.1f %10.1f\n", [$name, $killed[$name] ?? 0, $median, end($seconds)]);
}
printf(
    "%d sent, %d acknowledged; %d lost, %d doubled, %d out of order, %d gaps\n",
    $sent,
    count($acknowledged),
    count($lost),
    $double,
    $order,
    $gap,
);
$never = (int) $options['kills'] - array_sum(array_map(count(...), $waits));
$never > 0 && printf("%d times it did not come back\n", $never);
exit([] === $lost && 0 === $double + $order + $gap + $never ? 0 : 1);
