<?php

declare(strict_types=1);

namespace App\Tests\Script;

use App\Tests\Attack\Visitor;
use PHPUnit\Framework\TestCase;

/** What ./rodrel repairs by itself or explains, tried on a copy of the working tree with a shop of its own. */
final class RodrelTest extends TestCase
{
    /** A shop with the demo that several tests look at; made by the first of them. */
    private static ?string $shared = null;
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

    public static function tearDownAfterClass(): void
    {
        if (null !== self::$shared) {
            exec('cd '.escapeshellarg(self::$shared).' && ./rodrel stop; rm -rf '.escapeshellarg(self::$shared));
        }
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

        // whatever is killed from outside comes back by itself
        foreach (['nginx', 'php-fpm', 'pg-shop'] as $process) {
            posix_kill($this->pid($copy, $process), \SIGKILL);
            self::assertSame('alive', $this->aliveAgain($first), $process);
        }

        // so does all of it, keepers and all, with the next start; the port is free and nothing is left beside it
        foreach (['nginx', 'php-fpm', 'worker', 'pg-shop'] as $process) {
            $keeper = (int) file_get_contents("$copy/var/keepers/$process");
            posix_kill($keeper, \SIGKILL);
        }
        foreach (['nginx', 'php-fpm', 'pg-shop'] as $process) {
            posix_kill($this->pid($copy, $process), \SIGKILL);
        }
        usleep(800_000);
        [$code, $said] = $this->run_($copy, "./rodrel start --empty --port $first");
        self::assertSame(0, $code, $said);
        self::assertStringNotContainsString('Making a private', $said, 'the data are kept');
        self::assertSame('alive', $this->alive($first));

        // a second start of what runs already does nothing and leaves what runs; another port is taken up
        $running = fn (): array => array_map(
            fn (string $process): int => $this->pid($copy, $process),
            ['nginx', 'php-fpm', 'worker', 'pg-shop'],
        );
        $before = $running();
        [$code, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertSame(0, $code, $said);
        self::assertStringNotContainsString('…', $said, 'nothing is installed, built, made or computed');
        self::assertSame($before, $running());
        [$code, $said] = $this->run_($copy, './rodrel start --empty --port '.($first + 7));
        self::assertSame(0, $code, $said);
        self::assertSame('alive', $this->alive($first + 7));
        self::assertSame('', $this->alive($first));

        // two at once: one waits for the other
        exec('cd '.escapeshellarg($copy).' && (flock 8; sleep 2) 8>var/rodrel.lock >/dev/null 2>&1 &');
        usleep(300_000);
        [, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertStringContainsString('Another ./rodrel is at work', $said);

        // no vendor, and a cluster that was only half made
        $this->run_($copy, './rodrel stop');
        exec('rm -rf '.escapeshellarg("$copy/vendor").' '.escapeshellarg("$copy/var/pg/shop/.complete"));
        [$code, $said] = $this->run_($copy, './rodrel start --empty');
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Installing Composer packages', $said);
        self::assertStringContainsString('Clearing away a half-made database cluster', $said);
        $port = $this->port($said);

        // asked for a port that another holds it says so at once
        $second = $this->copy();
        [$code, $asked] = $this->run_($second, "./rodrel start --empty --port $port");
        self::assertSame(1, $code);
        self::assertStringContainsString('choose another with --port', $asked);
        self::assertStringNotContainsString('…', $asked, 'before anything is begun');

        // stop ends everything that start began
        $this->run_($copy, './rodrel stop');
        $named = escapeshellarg(str_replace('/a shop', '/[a] shop', $copy));
        self::assertSame('', trim((string) shell_exec("pgrep -af $named || true")), 'not one process of it is left');
    }

    /** As another user of the machine: no connection, no secret, no PHP of one's own. */
    public function testNobodyElseOnTheMachineOwnsTheShop(): void
    {
        if (0 !== posix_getuid()) {
            self::markTestSkipped('Only root can try it as somebody else.');
        }
        [$copy, $said] = $this->shared();
        self::assertStringContainsString('This is the demo shop', $said);
        $as = static function (string $user, string $command): string {
            $drop = "setpriv --reuid=$user --regid=nogroup --clear-groups sh -c ".escapeshellarg($command);

            return (string) shell_exec($drop.' 2>&1');
        };
        $var = escapeshellarg("$copy/var");
        $socket = trim((string) file_get_contents("$copy/var/pg/shop.where"));
        $web = trim((string) file_get_contents("$copy/var/pg/web.where"));
        foreach (
            [
                "psql -h $socket -U rodrel_app rodrel -c 'SELECT 1'",
                "psql -h $socket -U rodrel rodrel -c 'SELECT 1'",
                "cat $var/secret",
                "cat $var/keys/owner-shop",
                "cat $var/run/php-fpm.conf",
                "ls $var/log",
                "ls $web",
                "ls $var/cache",
            ] as $command
        ) {
            self::assertMatchesRegularExpression('/ermission denied/', $as('nobody', $command), $command);
        }
        exec('ss -Hltn', $listening);
        $ours = (int) $this->port($said);
        self::assertNotSame([], preg_grep("/127\.0\.0\.1:$ours /", $listening) ?: []);
        self::assertStringNotContainsString('postgres', (string) shell_exec("ss -Hltnp | grep -F '$copy' || true"));

        // behind a web server with TLS its cookie goes over TLS alone
        foreach (['https' => true, 'http' => false] as $scheme => $secure) {
            $visitor = new Visitor("http://127.0.0.1:$ours");
            $form = ['login' => 'fenwarren', 'password' => 'thornwater', '_csrf_token' => 'csrf-token'];
            $origin = ["X-Forwarded-Proto: $scheme", "Origin: $scheme://127.0.0.1:$ours"];
            $cookie = $visitor->send('POST', '/sign-in', $form, $origin)->header('set-cookie');
            self::assertMatchesRegularExpression('/rodrel-[0-9a-f]{8}=/', $cookie, 'a name of its own');
            self::assertStringContainsString('httponly; samesite=lax', strtolower($cookie));
            self::assertSame($secure, str_contains(strtolower($cookie), 'secure'), $cookie);
        }

        $this->nothingThatServesCanChangeWhatIsRun($copy);

        // the application itself cannot change its log and its pictures, nor delete whom they belong to
        $forbidden = [
            'UPDATE job_entry SET seq = 9', 'DELETE FROM job_entry', 'TRUNCATE job_entry', 'DROP TABLE job',
            'UPDATE photo SET width = 1', 'DELETE FROM photo', 'DELETE FROM job', 'DELETE FROM vehicle',
            'DELETE FROM person', 'UPDATE person SET role = login', 'INSERT INTO person (login) VALUES (NULL)',
            'SELECT person_save(NULL, gen_random_uuid(), $$x$$, $$x$$, $$admin$$, $$x$$, $$$$, NULL)',
            'SELECT person_save(id, id, login, name, $$admin$$, $$x$$, $$$$, NULL) FROM person WHERE role = $$lead$$',
        ];
        foreach ($forbidden as $sql) {
            $password = (string) file_get_contents("$copy/var/keys/app-shop");
            $told = (string) shell_exec("PGPASSWORD=$password psql -X -h $socket -U rodrel_app rodrel -c '$sql' 2>&1");
            self::assertMatchesRegularExpression('/permission denied|must be owner|only an admin/', $told, $sql);
        }

        // a shop of an earlier version let everybody in: it is copied, then closed
        $this->run_($copy, './rodrel stop');
        $data = "$copy/var/pg/shop";
        file_put_contents("$data/pg_hba.conf", "local all all trust\nhost all all 127.0.0.1/32 trust\n");
        $before = "listen_addresses='127.0.0.1'\nunix_socket_directories=''\n";
        file_put_contents("$data/postgresql.auto.conf", $before, \FILE_APPEND);
        [$code, $said] = $this->run_($copy, './rodrel start');
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('Closing the database to other people', $said);
        self::assertCount(1, glob("$copy/var/dumps/*before-closing.dump") ?: []);
        self::assertSame("local all all scram-sha-256\n", file_get_contents("$data/pg_hba.conf"));
        self::assertSame('alive', $this->alive($this->port($said)));
    }

    /** As each of the three that serve: no code, no cache, no configuration, no secret of the others. */
    private function nothingThatServesCanChangeWhatIsRun(string $copy): void
    {
        $own = ['run/tmp', 'run/children', 'signatures/served', 'log/prod.log', 'log/php-fpm.log',
            'log/nginx-error.log'];
        foreach (['www-data', 'rodrel-php', 'rodrel-work'] as $user) {
            // var itself can be passed, not listed
            $find = 'for d in . var var/cache var/log var/run var/signatures var/pg var/keys var/keepers var/dumps; do '
                .'find '.escapeshellarg($copy).'/$d -not -type l -writable -print 2>/dev/null; done; true';
            $drop = "setpriv --reuid=$user --regid=www-data --clear-groups sh -c ".escapeshellarg($find);
            exec($drop, $writable);
            $wrong = array_filter($writable, static function (string $path) use ($copy, $own): bool {
                $path = substr($path, \strlen("$copy/var/"));

                return [] === array_filter($own, static fn (string $one): bool => str_starts_with($path, $one));
            });
            self::assertSame([], array_values($wrong), $user);
        }
        $environ = static fn (string $process): string => (string) file_get_contents(
            '/proc/'.(int) file_get_contents("$copy/var/keepers/$process").'/environ',
        );
        self::assertStringContainsString('DATABASE_URL=', $environ('php-fpm'));
        foreach (['DATABASE_URL', 'APP_SECRET', 'SHELL='] as $name) {
            self::assertStringNotContainsString($name, $environ('nginx'));
        }
        // what it left where whoever runs the shop looks is not followed
        $served = "$copy/var/signatures/served";
        self::assertNotSame([], glob("$copy/var/signatures/*.php"));
        foreach (glob("$copy/var/signatures/*.php") ?: [] as $file) {
            file_put_contents($served.'/'.basename($file), '<?php file_put_contents('."'$copy/var/keys/owned', '');");
            unlink($file);
        }
        $this->run_($copy, './rodrel console rodrel:warm medium-car');
        self::assertFileDoesNotExist("$copy/var/keys/owned");
    }

    /** A shop with work in it is not replaced by the demo; its backup makes it anew where there was nothing. */
    public function testWorkIsNotLostByTheDemoAndABackupMakesTheShopAnew(): void
    {
        $this->onlyAmongScripts();
        [$copy, $said] = $this->shared();
        $port = $this->port($said);
        $visitor = new Visitor("http://127.0.0.1:$port");
        self::assertTrue($visitor->signIn('fenwarren'));
        $job = '018f0000-0000-7000-8000-00000000ab01';
        $opened = $visitor->send('POST', '/jobs/new', [
            '_token' => 'csrf-token', 'job' => $job, 'entry' => '018f0000-0000-7000-8000-00000000ab02',
            'unit' => 'Unit 77, snow plough', 'split' => 'diagonal', 'rear' => 'drum', 'anti_lock' => 'yes',
            'assist' => 'engine-vacuum', 'what' => 'drags', 'where' => 'lf',
        ]);
        self::assertSame(303, $opened->status);
        [$code, $said] = $this->run_($copy, './rodrel demo');
        self::assertSame(1, $code);
        self::assertStringContainsString('1 jobs: Unit 77, snow plough', $said);
        self::assertStringContainsString('--replace-everything', $said);

        // another web node on the same database: what is written on one is read on the other
        $other = $this->copy();
        $socket = trim((string) file_get_contents("$copy/var/pg/shop.where"));
        $password = static fn (string $of): string => (string) file_get_contents("$copy/var/keys/$of-shop");
        $url = static fn (string $role, string $of): string => 'postgresql://'.$role.':'.$password($of)
            ."@localhost/rodrel?host=$socket&serverVersion=15&charset=utf8";
        $env = 'env RODREL_DATABASE_URL='.escapeshellarg($url('rodrel_app', 'app')).' RODREL_OWNER_DATABASE_URL='
            .escapeshellarg($url('rodrel', 'owner'));
        copy("$copy/var/secret", "$other/var/secret");
        // rights that were lost come back with the next start, from a role that owns the tables and nothing more
        $owner = static fn (string $sql): string => (string) shell_exec(
            'PGPASSWORD='.$password('owner')." psql -qXAt -h $socket -U rodrel rodrel -c ".escapeshellarg($sql).' 2>&1',
        );
        $owner("GRANT UPDATE ON job_entry TO rodrel_app; CREATE ROLE plain LOGIN PASSWORD 'plain';");
        foreach (['TABLE', 'SEQUENCE'] as $what) {
            $list = 'TABLE' === $what ? "relkind = 'r'" : "relkind = 'S'";
            $all = "SELECT 'ALTER $what '||relname||' OWNER TO plain;' FROM pg_class WHERE $list "
                ."AND relnamespace = 'public'::regnamespace";
            $owner($owner($all));
        }
        foreach (['person_save', 'person_secret', 'person_elsewhere'] as $function) {
            $owner("ALTER FUNCTION $function OWNER TO plain");
        }
        $owner('ALTER SCHEMA public OWNER TO plain');
        $mighty = $url('rodrel', 'owner');
        $plain = str_replace('//rodrel:'.$password('owner').'@', '//plain:plain@', $mighty);
        $env = str_replace(escapeshellarg($mighty), escapeshellarg($plain), $env);
        [$code, $said] = $this->run_($other, "$env ./rodrel start");
        self::assertSame(0, $code, $said);
        self::assertSame("f\n", $owner("SELECT has_table_privilege('rodrel_app', 'job_entry', 'UPDATE')"));
        $second = new Visitor('http://127.0.0.1:'.$this->port($said));
        self::assertTrue($second->signIn('tarrenby'));
        foreach ([$visitor, $second, $visitor, $second] as $n => $node) {
            $read = $node->send('POST', "/jobs/$job/entries", [
                '_token' => 'csrf-token', 'entry' => \sprintf('018f0000-0000-7000-8000-00000000ac%02d', $n),
                'kind' => 'item', 'text' => "written by node $n",
            ]);
            self::assertSame(303, $read->status);
        }
        self::assertStringContainsString('written by node 3', $visitor->send('GET', "/jobs/$job/items")->body);
        self::assertStringContainsString('written by node 2', $second->send('GET', "/jobs/$job/items")->body);
        $this->run_($other, "$env ./rodrel stop");

        [$code, $said] = $this->run_($copy, './rodrel backup '.escapeshellarg("$copy/shop.dump"));
        self::assertSame(0, $code, $said);
        $before = $visitor->send('GET', "/jobs/$job/job.json")->body;
        $this->run_($copy, './rodrel stop');

        $new = $this->copy();
        [$code, $said] = $this->run_($new, './rodrel restore '.escapeshellarg("$copy/shop.dump"));
        self::assertSame(0, $code, $said);
        [$code, $said] = $this->run_($new, './rodrel start');
        self::assertSame(0, $code, $said);
        $restored = new Visitor('http://127.0.0.1:'.$this->port($said));
        self::assertTrue($restored->signIn('fenwarren'));
        self::assertSame($before, $restored->send('GET', "/jobs/$job/job.json")->body);
        [$code, $said] = $this->run_($new, './rodrel restore '.escapeshellarg("$copy/shop.dump"));
        self::assertSame(1, $code, 'a shop is not replaced without being asked');
        self::assertStringContainsString('--replace-everything', $said);
    }

    /** On a disk of its own that is filled up: said in words, nothing lost, and going on when there is room again. */
    public function testAFullDiskIsSaidAndTheShopComesBackWhenThereIsRoom(): void
    {
        $this->onlyAmongScripts();
        $disk = sys_get_temp_dir().'/rodrel-disk-'.bin2hex(random_bytes(3));
        mkdir($disk);
        exec('mount -t tmpfs -o size=500m none '.escapeshellarg($disk).' 2>&1', $lines, $code);
        if (0 !== $code) {
            rmdir($disk);
            self::markTestSkipped('No disk of its own can be made here.');
        }
        $copy = $this->copy($disk);
        try {
            [$code, $said] = $this->run_($copy, './rodrel start');
            self::assertSame(0, $code, $said);
            $port = $this->port($said);
            $visitor = new Visitor("http://127.0.0.1:$port");
            self::assertTrue($visitor->signIn('fenwarren'));
            preg_match('#/jobs/([0-9a-f-]{36})#', $visitor->send('GET', '/')->body, $found);
            exec('head -c 600M /dev/zero > '.escapeshellarg("$disk/filler").' 2>/dev/null');
            $told = [];
            $kept = 0;
            for ($n = 0; $n < 400 && \count($told) < 3; ++$n) {
                $answer = $visitor->send('POST', '/jobs/'.$found[1].'/entries', [
                    '_token' => 'csrf-token', 'entry' => \sprintf('018f0000-0000-7000-8000-00000000%04d', $n),
                    'kind' => 'item', 'text' => str_repeat('full ', 90),
                ]);
                if (303 === $answer->status) {
                    ++$kept;
                } else {
                    $told[] = $answer;
                }
            }
            self::assertNotSame([], $told, 'the disk got full');
            foreach ($told as $answer) {
                self::assertContains($answer->status, [507, 503], $answer->body);
                self::assertMatchesRegularExpression('/disk is full|do not answer/', $answer->body);
            }
            [$code, $said] = $this->run_($copy, './rodrel start');
            self::assertSame(1, $code);
            self::assertStringContainsString('is full', $said);
            unlink("$disk/filler");
            self::assertSame('alive', $this->aliveAgain($port));
            $visitor->signIn('fenwarren');
            $entries = $visitor->send('GET', '/jobs/'.$found[1].'/job.json')->body;
            self::assertSame($kept, substr_count($entries, 'full full full'), 'what was acknowledged is there');
        } finally {
            $this->run_($copy, './rodrel stop');
            array_pop($this->copies);
            exec('umount -l '.escapeshellarg($disk));
            rmdir($disk);
        }
    }

    public function testAWrongWordIsExplained(): void
    {
        [$code, $said] = $this->run_($this->root, './rodrel start --fast');
        self::assertSame(1, $code);
        self::assertStringContainsString("not '--fast'", $said);
    }

    /** Some take minutes: `./rodrel test script` has them all, the whole suite the ones that find the most. */
    private function onlyAmongScripts(): void
    {
        if ('all' !== getenv('RODREL_TEST_SCRIPTS')) {
            self::markTestSkipped('./rodrel test script has it.');
        }
    }

    /** @return array{string, string} a running shop with the demo, and what starting it said */
    private function shared(): array
    {
        if (null === self::$shared) {
            self::$shared = $this->copy();
            array_pop($this->copies);
        }
        [$code, $said] = $this->run_(self::$shared, './rodrel start');
        self::assertSame(0, $code, $said);

        return [self::$shared, $said];
    }

    /** The program that a keeper keeps. */
    private function pid(string $copy, string $process): int
    {
        $file = 'pg-shop' === $process ? 'pg/shop/postmaster.pid' : "run/children/$process";

        return (int) strtok((string) file_get_contents("$copy/var/$file"), "\n");
    }

    private function aliveAgain(int $port): string
    {
        for ($n = 0; $n < 150; ++$n) {
            usleep(200_000);
            if ('alive' === ($said = $this->alive($port))) {
                return $said;
            }
        }

        return '';
    }

    /** The working tree as it is, in a folder with a blank in its name, its packages linked, predictions at hand. */
    private function copy(?string $on = null): string
    {
        $copy = ($on ?? sys_get_temp_dir()).'/a shop-'.bin2hex(random_bytes(4));
        mkdir($copy, 0o755);
        $this->copies[] = $copy;
        $files = 'git ls-files -z --cached --others --exclude-standard | while IFS= read -r -d "" f; do '
            .'[ -e "$f" ] && printf "%s\\0" "$f"; done';
        $script = "set -e; $files | tar --null -T - -c | tar x -C \"\$TO\"; "
            .'cp -al vendor "$TO/vendor" 2>/dev/null || cp -a vendor "$TO/vendor"; mkdir -p "$TO/var/signatures"; '
            .'cp var/vendor.stamp "$TO/var/"; cp var/signatures/test/*.php "$TO/var/signatures/" 2>/dev/null || true';
        [$code, $said] = $this->run_($this->root, 'TO='.escapeshellarg($copy).' bash -c '.escapeshellarg($script));
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
                .' && env -u APP_ENV -u APP_DEBUG -u APP_SECRET -u DATABASE_URL '
                .'-u RODREL_TEST_SCRIPT -u RODREL_TEST_SCRIPTS timeout 900 '
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
