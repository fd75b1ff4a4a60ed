<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Account\Role;
use App\Account\User;
use App\Job\AppendEntry;
use App\Job\Job;
use App\Job\ProjectJob;
use App\Job\ProjectJobHandler;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Kind;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Transport\InMemory\InMemoryTransport;
use Symfony\Component\Routing\Route;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Uid\Uuid;

/** Every route of the shop against everybody who may knock: whoever adds one says here who it is for. */
final class RoutesTest extends ShopTestCase
{
    /** Routes for nobody in particular, for leads, for admins; all the others are for everybody of the shop. */
    private const ANYBODY = ['sign_in', 'wall', 'wall_open', 'wall_head', 'alive', 'worker', 'no_network'];
    private const LEADS = ['audit', 'shop_change', 'shop_instruments'];
    private const ADMINS = ['shop_person', 'shop_retire', 'alive_details'];
    /** Its token is the bridge's, and the framework's own doors have the framework's answers. */
    private const BY_TOKEN = ['instrument_readings'];
    private const FRAMEWORK = ['sign_in', 'sign_out'];
    /** What a session that a PIN opened may not do. */
    private const NOT_BY_PIN = ['shop_change', 'shop_person', 'shop_retire', 'shop_instruments'];
    private const PEOPLE = ['technician' => 'fenwarren', 'lead' => 'aldershaw', 'admin' => 'quillane'];
    private const FIELDS = [
        'job_append' => ['kind' => 'item', 'text' => 'bleeder cap missing'],
        'shop_person' => ['login' => 'wexcombe', 'name' => 'W. Wexcombe', 'role' => 'technician',
            'password' => 'long enough'],
        'shop_change' => ['name' => 'Another shed'],
        'my_password' => ['now' => 'wrong', 'next' => 'long enough'],
    ];

    public function testEveryRouteSaysWhoItIsFor(): void
    {
        $routes = array_keys($this->routes());
        self::assertSame(
            [],
            array_diff([...self::ANYBODY, ...self::LEADS, ...self::ADMINS, ...self::BY_TOKEN], $routes),
        );
        foreach ($this->routes() as $name => $route) {
            $methods = $route->getMethods();
            self::assertTrue(\in_array($methods, [['GET'], ['POST'], ['GET', 'POST']], true), "$name says its methods");
        }
    }

    /** Nobody, and somebody who has left with a page still open, is shown the door. */
    public function testWhoIsNotSignedInSeesNothing(): void
    {
        $this->signIn('tarrenby');
        $paths = $this->paths();
        foreach (['nobody', 'left'] as $who) {
            $this->client->getCookieJar()->clear();
            if ('left' === $who) {
                $this->signIn('tarrenby');
                $this->sql("UPDATE person SET retired_at = now(), password_hash = '' WHERE login = 'tarrenby'");
            }
            $let = [];
            foreach ($this->forThePeople() as $name => $route) {
                $this->knock($name, $route, $paths);
                $to = $this->client->getResponse()->headers->get('Location', '');
                if (!str_ends_with($to, '/sign-in')) {
                    $let[] = $name.' '.$this->client->getResponse()->getStatusCode();
                }
            }
            self::assertSame([], $let, $who);
        }
    }

    public function testWhoMayDoLessIsRefusedAndWhoMayIsNot(): void
    {
        $this->signIn('quillane');
        $paths = $this->paths();
        $wrong = [];
        foreach ($this->forThePeople() as $name => $route) {
            $least = $this->least($name);
            foreach (Role::cases() as $role) {
                $may = $role === $least || \in_array('ROLE_'.strtoupper($least->value), self::reaches($role), true);
                if ($may && $role !== $least) {
                    continue; // the least of those who may is the one to try
                }
                $this->signIn(self::PEOPLE[$role->value]);
                $this->knock($name, $route, $paths);
                $status = $this->client->getResponse()->getStatusCode();
                $to = $this->client->getResponse()->headers->get('Location', '');
                if ($may ? 403 === $status || $status >= 500 || str_ends_with($to, '/sign-in') : 403 !== $status) {
                    $wrong[] = "$name as $role->value: $status";
                }
            }
        }
        self::assertSame([], $wrong);
    }

    /** Without its token, and from another site with one, a form does nothing, whoever sends it. */
    public function testAFormWithoutATokenOrFromElsewhereDoesNothing(): void
    {
        $this->signIn('quillane');
        $paths = $this->paths();
        $before = $this->everything();
        $wrong = [];
        foreach ($this->routes() as $name => $route) {
            if (['POST'] !== $route->getMethods() || \in_array($name, [...self::BY_TOKEN, ...self::FRAMEWORK], true)) {
                continue;
            }
            $elsewhere = ['HTTP_ORIGIN' => 'http://elsewhere.invalid', 'HTTP_REFERER' => 'http://elsewhere.invalid/'];
            foreach ([[['_token' => ''], []], [[], $elsewhere]] as [$fields, $server]) {
                $this->knock($name, $route, $paths, $fields, $server);
                if (403 !== $this->client->getResponse()->getStatusCode()) {
                    $wrong[] = $name.' '.$this->client->getResponse()->getStatusCode();
                }
            }
        }
        self::assertSame([], $wrong);
        self::assertSame($before, $this->everything());
    }

    public function testAPinOpensNothingOfTheShopsOwn(): void
    {
        $this->signIn('quillane');
        $paths = $this->paths();
        $this->client->request('POST', '/me/pin', ['_token' => 'csrf-token', 'pin' => '471193',
            'password' => 'thornwater']);
        $this->client->request('POST', '/hand-over', ['_token' => 'csrf-token', 'login' => 'quillane',
            'pin' => '471193']);
        self::assertResponseRedirects();
        $before = $this->everything();
        foreach (self::NOT_BY_PIN as $name) {
            $this->knock($name, $this->routes()[$name], $paths);
            self::assertStringContainsString('Sign in with the password', $this->text('main'), $name);
        }
        self::assertSame($before, $this->everything());
    }

    /** A technician's waiver is refused for every kind of entry that is a lead's, whatever else is wrong with it. */
    public function testKindsOfALeadAreALeads(): void
    {
        $this->signIn();
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        foreach (['fenwarren' => true, 'aldershaw' => false] as $login => $refused) {
            $this->signIn($login);
            foreach (Kind::cases() as $kind) {
                if (\in_array($kind, [Kind::Waive, Kind::Override, Kind::Countersign], true)) {
                    $this->append($job, $kind->value, []);
                    $status = $this->client->getResponse()->getStatusCode();
                    self::assertSame($refused, 403 === $status, "$kind->value by $login: $status");
                }
            }
        }
    }

    /** While somebody else holds a job's row nothing is appended to it. */
    public function testAnEntryWaitsForItsTurn(): void
    {
        $user = $this->signIn();
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $says = Kind::Item->read(['text' => 'waits for its turn', 'due' => null]);
        $append = static function () use ($job, $user, $says): void {
            $entities = self::getContainer()->get(EntityManagerInterface::class);
            $found = $entities->find(Job::class, Uuid::fromString($job));
            $who = $entities->find(User::class, $user->id());
            self::assertNotNull($found);
            self::assertNotNull($who);
            self::getContainer()->get(AppendEntry::class)($found, $who, Uuid::v7(), $says);
        };
        $before = \count($this->kinds($job));
        $this->whileHeld("SELECT id FROM job WHERE id = '$job' FOR UPDATE", static function () use ($append): void {
            try {
                $append();
                self::fail('it did not wait');
            } catch (DriverException $timeout) {
                self::assertStringContainsString('lock timeout', $timeout->getMessage());
            }
        });
        self::assertCount($before, $this->kinds($job));
        self::ensureKernelShutdown();
        self::bootKernel();
        $append();
        self::assertCount($before + 1, $this->kinds($job));
    }

    /** What corrects an entry takes that one back only where it is taken itself. */
    public function testACorrectionIsKeptWholeOrNotAtAll(): void
    {
        $this->signIn();
        $job = $this->freshJob();
        $read = Uuid::v7()->toRfc4122();
        $this->append($job, 'reading', ['check' => 'pedal@vehicle', 'word' => ['feel' => 'firm']], $read);
        $before = $this->kinds($job);
        $unsafe = ['check' => 'spin@vehicle', 'word' => ['lf' => 'one-finger'], 'corrects' => $read];
        $this->append($job, 'reading', $unsafe);
        self::assertResponseStatusCodeSame(422, 'the vehicle stands on the ground');
        self::assertSame($before, $this->kinds($job));
    }

    /** An entry stands though the list's line cannot be written; the worker writes it then. */
    public function testALineThatCannotBeWrittenIsTheWorkers(): void
    {
        $this->signIn();
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $before = \count($this->kinds($job));
        $this->whileHeld('LOCK TABLE job_line IN EXCLUSIVE MODE', function () use ($job): void {
            $this->append($job, 'item', ['text' => 'bleeder cap missing']);
            self::assertResponseStatusCodeSame(303);
        });
        self::assertCount($before + 1, $this->kinds($job));
        $head = fn (): mixed => $this->one("SELECT head FROM job_line WHERE job_id = '$job'");
        self::assertSame($before, $head());
        $worker = self::getContainer()->get('messenger.transport.first');
        self::assertInstanceOf(InMemoryTransport::class, $worker);
        $orders = array_map(static fn (Envelope $one): object => $one->getMessage(), $worker->getSent());
        self::assertEquals([new ProjectJob($job)], $orders);
        self::ensureKernelShutdown();
        self::bootKernel();
        self::getContainer()->get(ProjectJobHandler::class)(new ProjectJob($job));
        self::assertSame($before + 1, $head());
    }

    private function whileHeld(string $hold, callable $do): void
    {
        $other = $this->another();
        $other->beginTransaction();
        $other->exec($hold);
        $this->sql("SET lock_timeout = '300ms'");
        try {
            $do();
        } finally {
            $other->rollBack();
            $this->sql('SET lock_timeout = 0');
        }
    }

    /** @return array<string, Route> */
    private function routes(): array
    {
        $routes = self::getContainer()->get(RouterInterface::class)->getRouteCollection()->all();

        $ours = array_filter(array_keys($routes), static fn (string $name): bool => !str_starts_with($name, '_'));

        return array_intersect_key($routes, array_flip($ours));
    }

    /** @return array<string, Route> those that want somebody signed in */
    private function forThePeople(): array
    {
        return array_diff_key($this->routes(), array_flip([...self::ANYBODY, ...self::BY_TOKEN, ...self::FRAMEWORK]));
    }

    private function least(string $name): Role
    {
        return match (true) {
            \in_array($name, self::ADMINS, true) => Role::Admin,
            \in_array($name, self::LEADS, true) => Role::Lead,
            default => Role::Technician,
        };
    }

    /** @return list<string> */
    private static function reaches(Role $role): array
    {
        return match ($role) {
            Role::Admin => ['ROLE_ADMIN', 'ROLE_LEAD', 'ROLE_TECHNICIAN'],
            Role::Lead => ['ROLE_LEAD', 'ROLE_TECHNICIAN'],
            Role::Technician => ['ROLE_TECHNICIAN'],
        };
    }

    /** @return array<string, string> a value for every placeholder of an address */
    private function paths(): array
    {
        $job = $this->job('Unit 19', Stage::Bench);

        return [
            'id' => $job->id()->toRfc4122(),
            'vehicle' => (string) $this->one('SELECT id FROM vehicle LIMIT 1'),
            'person' => (string) $this->one("SELECT id FROM person WHERE login = 'tarrenby'"),
            'photo' => Uuid::v7()->toRfc4122(),
            'check' => 'pedal@vehicle',
            'round' => 'proof-standing',
            'corner' => 'lf',
            'hold' => 'firm',
            'kind' => 'temperature',
            'what' => 'theme',
        ];
    }

    /**
     * @param array<string, string> $paths
     * @param array<string, string> $fields
     * @param array<string, string> $server
     */
    private function knock(string $name, Route $route, array $paths, array $fields = [], array $server = []): void
    {
        if (str_starts_with($name, 'vehicle')) {
            $paths['id'] = $paths['vehicle'];
        } elseif ('shop_retire' === $name) {
            $paths['id'] = $paths['person'];
        }
        $path = (string) preg_replace_callback(
            '/\{!?([a-z]+)(?::[a-z]+)?\}/',
            static fn (array $of): string => $paths[$of[1]],
            $route->getPath(),
        );
        $this->client->request(
            $route->getMethods()[0],
            $path,
            'GET' === $route->getMethods()[0] ? [] : $fields + ['_token' => 'csrf-token'] + (self::FIELDS[$name] ?? []),
            server: $server,
        );
    }

    /** @return array<string, mixed> how much there is of everything that a form could change */
    private function everything(): array
    {
        $found = [];
        $tables = ['job', 'job_entry', 'job_line', 'vehicle', 'photo', 'person', 'shop_setting', 'shop_mark',
            'wall_code'];
        foreach ($tables as $table) {
            $found[$table] = $this->one("SELECT md5(string_agg(t::text, '' ORDER BY t::text)) FROM $table t");
        }

        return $found;
    }

    private function another(): \PDO
    {
        $to = $this->connection()->getParams();
        $where = \sprintf('pgsql:host=%s;dbname=%s', $to['host'] ?? '', $to['dbname'] ?? '');

        return new \PDO($where, $to['user'] ?? '', $to['password'] ?? '');
    }

    private function one(string $sql): mixed
    {
        return $this->connection()->fetchOne($sql);
    }

    private function sql(string $sql): void
    {
        $this->connection()->executeStatement($sql);
    }

    private function connection(): Connection
    {
        return self::getContainer()->get(Connection::class);
    }
}
