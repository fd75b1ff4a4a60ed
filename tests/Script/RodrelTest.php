<?php

declare(strict_types=1);

namespace App\Tests\Script;

use PHPUnit\Framework\TestCase;

/** What ./rodrel repairs by itself or explains, tried on a copy of the working tree with a shop of its own. */
final class RodrelTest extends TestCase
{
    private string $root;
    /** @var list<string> copies that were started */
    private array $copies = [];

    protected function setUp(): void
    {
        if ('yes' !== getenv('RODREL_TEST_SCRIPT')) {
            self::markTestSkipped('Run by ./rodrel test, which has installed what serving needs.');
        }
        $this->root = \dirname(__DIR__, 2);
    }

    protected function tearDown(): void
    {
        foreach ($this->copies as $copy) {
            $this->run_($copy, './rodrel stop');
            exec('rm -rf '.escapeshellarg($copy));
        }
    }

    public function testItRepairsWhatWasLeftBehind(): void
    {
        $copy = $this->copy();
        [$code, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Making a private PostgreSQL cluster', $said);
        $first = $this->port($said);
        self::assertSame('alive', $this->alive($first));
        $this->run_($copy, './rodrel console doctrine:query:sql -q "SELECT 1"');

        // everything killed from outside: web server, php, worker and database leave their pid files behind
        foreach (['nginx', 'php-fpm', 'worker'] as $process) {
            $this->killWithChildren((int) file_get_contents("$copy/var/run/$process.pid"));
        }
        posix_kill((int) strtok((string) file_get_contents("$copy/var/pg/shop/postmaster.pid"), "\n"), \SIGKILL);
        usleep(800_000);
        [$code, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Removing the stale pid of a database that was killed', $said);
        self::assertStringNotContainsString('Making a private', $said, 'the data are kept');
        self::assertSame('alive', $this->alive($this->port($said)));

        // a second start of what runs already takes seconds and changes nothing
        $since = microtime(true);
        [$code, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertSame(0, $code, $said);
        self::assertStringNotContainsString('Building', $said);
        self::assertLessThan(30.0, microtime(true) - $since);

        // no vendor, and a cluster that was only half made
        $this->run_($copy, './rodrel stop');
        exec('rm -rf '.escapeshellarg("$copy/vendor").' '.escapeshellarg("$copy/var/pg/shop/.complete"));
        [$code, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Installing Composer packages', $said);
        self::assertStringContainsString('Clearing away a half-made database cluster', $said);
        self::assertSame('alive', $this->alive($this->port($said)));

        // a second copy beside it finds the port taken and takes another; asked for that port it explains
        $second = $this->copy();
        [$code, $more] = $this->run_($second, './rodrel start --empty');
        self::assertSame(0, $code, $more);
        self::assertStringContainsString('is taken by another program; taking', $more);
        self::assertNotSame($this->port($said), $this->port($more));
        self::assertSame('alive', $this->alive($this->port($said)));
        self::assertSame('alive', $this->alive($this->port($more)));
        $this->run_($second, './rodrel stop');
        [$code, $asked] = $this->run_($second, './rodrel start --empty --port '.$this->port($said));
        self::assertSame(1, $code);
        self::assertStringContainsString('choose another with --port', $asked);
    }

    public function testAWrongWordIsExplained(): void
    {
        [$code, $said] = $this->run_($this->root, './rodrel start --fast');
        self::assertSame(1, $code);
        self::assertStringContainsString("not '--fast'", $said);
    }

    private function killWithChildren(int $pid): void
    {
        exec('ps -o pid= --ppid '.$pid, $children);
        posix_kill($pid, \SIGKILL);
        foreach ($children as $child) {
            posix_kill((int) $child, \SIGKILL);
        }
    }

    /** The working tree as it is, with its packages linked and its predictions at hand. */
    private function copy(): string
    {
        $copy = sys_get_temp_dir().'/rodrel-'.bin2hex(random_bytes(4));
        mkdir($copy, 0o755);
        $this->copies[] = $copy;
        $script
            = 'set -e; git ls-files -z --cached --others --exclude-standard | xargs -0 -I{} sh -c \'[ -e "$1" ] && '
                .'cp --parents -p "$1" "$2"\' _ {} "$TO"; cp -al vendor "$TO/vendor"; mkdir -p "$TO/var/signatures"; '
                .'cp var/vendor.stamp "$TO/var/"; cp var/signatures/test/*.php "$TO/var/signatures/" 2>/dev/null || '
                .'true';
        [$code, $said] = $this->run_(
            $this->root,
            'TO='.escapeshellarg($copy).' bash -c '.escapeshellarg($script),
        );
        self::assertSame(0, $code, $said);

        return $copy;
    }

    /** @return array{int, string} */
    private function run_(string $in, string $command): array
    {
        // the tests' own environment must not reach the copy
        exec(
            'cd '
                .escapeshellarg($in)
                .' && env -u APP_ENV -u APP_DEBUG -u APP_SECRET -u DATABASE_URL -u RODREL_TEST_SCRIPT timeout 240 '
                .(str_starts_with($command, 'TO=') ? 'env ' : '')
                .$command
                .' 2>&1',
            $lines,
            $code,
        );

        return [$code, implode("\n", $lines)];
    }

    private function port(string $said): int
    {
        return 1 === preg_match('~127\.0\.0\.1:(\d+)~', $said, $found) ? (int) $found[1] : 0;
    }

    private function alive(int $port): string
    {
        return (string) @file_get_contents("http://127.0.0.1:$port/alive");
    }
}
