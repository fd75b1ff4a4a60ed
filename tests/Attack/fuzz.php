<?php

declare(strict_types=1);

/*
 * Sends hostile requests to every route as four roles and counts answers of 500 and above, and none at all.
 *
 * php tests/Attack/fuzz.php BASE ROUTES [--requests N] [--seed N] [--only NUMBER]
 *
 * ROUTES is what debug:router writes as JSON. The same seed sends the same requests; --only sends one of them again and
 * shows its answer. Ends with 1 where anything broke.
 */

use App\Tests\Attack\Hostile;
use App\Tests\Attack\Visitor;
use Random\Engine\Mt19937;
use Random\Randomizer;

$root = dirname(__DIR__, 2);
require $root.'/vendor/autoload.php';
chdir($root);

$options = ['requests' => '10000', 'seed' => '1', 'only' => ''];
for ($n = 3; $n < $argc; $n += 2) {
    $name = ltrim($argv[$n], '-');
    if (!isset($options[$name], $argv[$n + 1])) {
        fwrite(\STDERR, "fuzz knows --requests N, --seed N and --only NUMBER, not '$argv[$n]'\n");
        exit(2);
    }
    $options[$name] = $argv[$n + 1];
}
$visitors = ['nobody' => new Visitor($argv[1])];
foreach (['fenwarren' => 'technician', 'aldershaw' => 'lead', 'quillane' => 'admin'] as $login => $role) {
    $visitors[$role] = new Visitor($argv[1]);
    $visitors[$role]->signIn($login) || exit("the demo's $role could not sign in\n");
}
$list = $visitors['lead']->send('GET', '/')->body;
preg_match_all('#/jobs/([0-9a-f-]{36})#', $list, $found);
$routes = json_decode((string) file_get_contents($argv[2]), true, 512, \JSON_THROW_ON_ERROR);
$broken = $counts = [];
for ($n = 1; $n <= (int) $options['requests']; ++$n) {
    if ('' !== $options['only'] && $n !== (int) $options['only']) {
        continue;
    }
    $chance = new Randomizer(new Mt19937((int) $options['seed'] * 1_000_003 + $n));
    $request = Hostile::request($chance, $routes, array_values(array_unique($found[1])), $root);
    $role = array_keys($visitors)[$chance->getInt(0, 3)];
    if (1 === preg_match('#sign[-_]out|hand[-_]over$#', $request->path)) {
        continue;   // would end the session that the other requests go by
    }
    $answer = $visitors[$role]->send($request->method, $request->path, $request->body, $request->headers);
    $family = (string) $answer->status;
    $counts[$family] = ($counts[$family] ?? 0) + 1;
    if ($answer->status >= 500 || 0 === $answer->status) {
        $where = $request->method.' '.substr($request->path, 0, 110);
        $broken[] = sprintf('%d %s as %s: %d', $n, $where, $role, $answer->status);
        echo end($broken), "\n";
    }
    if ('' !== $options['only']) {
        $sent = (string) json_encode($request->body, \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_UNESCAPED_SLASHES);
        $said = trim((string) preg_replace('/\s+/', ' ', strip_tags($answer->body)));
        $shown = [$request->method.' '.$request->path.' as '.$role, ...$request->headers, substr($sent, 0, 1500)];
        echo implode("\n", [...$shown, (string) $answer->status, substr($said, 0, 800)]), "\n";
    }
}
ksort($counts);
printf("seed %s: %s; %d broke\n", $options['seed'], json_encode($counts), count($broken));
exit([] === $broken ? 0 : 1);
