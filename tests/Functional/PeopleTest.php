<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Account\People;
use App\Account\Pin;
use App\Account\Role;
use App\Account\SessionAge;
use App\Account\UserRepository;
use App\Account\WayBack;
use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Rodrel\Core\Job\Stage;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Session\Session;
use Symfony\Component\HttpFoundation\Session\Storage\MockArraySessionStorage;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;
use Symfony\Component\Uid\Uuid;

/** Who may come in, how a tablet changes hands, and what nobody gets by it. */
final class PeopleTest extends ShopTestCase
{
    private const PASSWORD = 'thornwater';

    public function testTheTabletGoesFromHandToHandByAPinThatItsOwnerSetWithThePassword(): void
    {
        $this->signIn('aldershaw');
        foreach (
            [
                ['471193', 'not mine', 'not your password'],
                ['4711', self::PASSWORD, 'at least 6 digits'],
                ['123456', self::PASSWORD, 'Everybody tries'],
                ['12', self::PASSWORD, 'four to twelve'],
            ] as [$pin, $password, $complaint]
        ) {
            $this->post('/me/pin', ['pin' => $pin, 'password' => $password]);
            self::assertStringContainsString($complaint, $this->text('.wrong'));
        }
        $this->post('/me/pin', ['pin' => '471193', 'password' => self::PASSWORD]);
        self::assertStringContainsString('is kept', $this->text('.ok'));

        $this->signIn();
        $this->client->request('GET', '/hand-over');
        self::assertStringContainsString('M. Aldershaw', $this->text('.people'));
        self::assertStringNotContainsString('O. Tarrenby', $this->text('.people'), 'nobody without a PIN');
        $this->post('/hand-over', ['login' => 'tarrenby', 'pin' => '']);
        self::assertStringContainsString('not the PIN', $this->text('.wrong'));
        $this->post('/hand-over', ['login' => 'aldershaw', 'pin' => str_repeat('9', 5000)]);
        self::assertStringContainsString('not the PIN', $this->text('.wrong'));
        $this->post('/hand-over', ['login' => 'aldershaw', 'pin' => '471193']);
        $this->client->followRedirect();
        self::assertStringContainsString('M. Aldershaw', $this->text('.head-who'));

        // what a PIN opened signs at the bench, but changes nothing of the shop
        $this->post('/shop', ['name' => 'Another name']);
        self::assertStringContainsString('Sign in with the password', $this->text('.wrong'));
    }

    public function testFiveWrongPinsCloseItForThatPersonUntilItIsSetAnew(): void
    {
        $this->signIn('aldershaw');
        $this->post('/me/pin', ['pin' => '471193', 'password' => self::PASSWORD]);
        $this->signIn();
        for ($n = 0; $n < 5; ++$n) {
            $this->post('/hand-over', ['login' => 'aldershaw', 'pin' => '000000']);
            $this->waitsAreOver();
        }
        $this->waitsAreOver();
        $this->post('/hand-over', ['login' => 'aldershaw', 'pin' => '471193']);
        self::assertStringContainsString('closed', $this->text('.wrong'), 'not even the right one');
        $this->signIn('aldershaw');
        $this->post('/me/pin', ['pin' => '860427', 'password' => self::PASSWORD]);
        $this->signIn();
        $this->waitsAreOver();
        $this->post('/hand-over', ['login' => 'aldershaw', 'pin' => '860427']);
        self::assertResponseRedirects();
    }

    /** Of many tries at once five are looked at: each is counted before it is, whatever the page had read. */
    public function testTriesOfAPinAreCountedBeforeTheyAreLookedAt(): void
    {
        $user = $this->signIn('aldershaw');
        $this->post('/me/pin', ['pin' => '471193', 'password' => self::PASSWORD]);
        $people = self::getContainer()->get(People::class);
        $users = self::getContainer()->get(UserRepository::class);
        $user = $users->withLogin($user->getUserIdentifier());
        self::assertNotNull($user);
        self::assertTrue($people->isPin($user, '471193'));
        // others tried meanwhile, and this page still has the old count
        self::getContainer()->get(Connection::class)->executeStatement(
            "UPDATE person SET pin_wrong = 5 WHERE login = 'aldershaw'",
        );
        self::assertFalse($people->isPin($user, '471193'), 'closed by the others, though this one is right');
    }

    /** Twelve hours after its sign-in a session is over, however busy it was. */
    public function testASessionEndsAfterAShift(): void
    {
        $session = new Session(new MockArraySessionStorage());
        $request = new Request(cookies: [$session->getName() => 'one']);
        $request->setSession($session);
        $clock = new MockClock('2026-03-02 07:00:00');
        $age = new SessionAge($clock);
        $look = static fn () => $age->onRequest(
            new RequestEvent(self::createKernel(), $request, HttpKernelInterface::MAIN_REQUEST),
        );
        $look();
        $session->set('who', 'ann');
        foreach ([6, 6] as $hours) {
            $clock->sleep($hours * 3600);
            $look();
            self::assertSame('ann', $session->get('who'), 'busy all the time');
        }
        $clock->sleep(1);
        $look();
        self::assertNull($session->get('who'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function provideWaysBack(): iterable
    {
        yield 'a page of ours' => ['http://localhost/jobs/0190/checks/spin@lf', '/jobs/0190/checks/spin@lf'];
        yield 'the list' => ['http://localhost/', '/'];
        yield 'another machine behind two slashes' => ['http://localhost//elsewhere', '/'];
        yield 'and further down' => ['http://localhost/jobs//elsewhere', '/'];
        yield 'another machine' => ['http://elsewhere/jobs', '/'];
    }

    #[DataProvider('provideWaysBack')]
    public function testTheWayBackStaysInTheShop(string $from, string $to): void
    {
        $request = Request::create('http://localhost/me/theme', server: ['HTTP_REFERER' => $from]);
        self::assertSame($to, self::getContainer()->get(WayBack::class)->from($request));
        $this->client->request('GET', 'http://localhost//elsewhere');
        self::assertResponseStatusCodeSame(404, 'and nobody is kept waiting for it at the door');
    }

    /** @return iterable<string, array{string, Role, string|null}> */
    public static function providePins(): iterable
    {
        yield 'four digits' => ['4711', Role::Technician, null];
        yield 'four digits of a lead' => ['4711', Role::Lead, 'hand-over.short-lead'];
        yield 'one digit over and over' => ['7777', Role::Technician, 'hand-over.trivial'];
        yield 'a run down over zero' => ['2109', Role::Technician, 'hand-over.trivial'];
        yield 'a pair said again' => ['121212', Role::Admin, 'hand-over.trivial'];
        yield 'a half said again' => ['174174', Role::Admin, 'hand-over.trivial'];
        yield 'a year' => ['1987', Role::Technician, 'hand-over.trivial'];
        yield 'letters' => ['47a1', Role::Technician, 'hand-over.short'];
    }

    #[DataProvider('providePins')]
    public function testWhatAPinMustBe(string $pin, Role $role, ?string $wrong): void
    {
        self::assertSame($wrong, Pin::wrong($pin, $role));
    }

    /** By name and place after 5, by name from anywhere after 20, by place for any names after 40. */
    public function testGuessingWaitsForANameForAPlaceAndForBoth(): void
    {
        $try = function (string $login, string $from, string $password = 'wrong'): string {
            $this->client->request(
                'POST',
                '/sign-in',
                ['login' => $login, 'password' => $password, '_csrf_token' => 'csrf-token'],
                server: ['REMOTE_ADDR' => $from],
            );
            $this->client->followRedirect();

            return $this->client->getCrawler()->filter('.wrong')->count() > 0 ? $this->text('.wrong') : 'in';
        };
        for ($n = 0; $n < 5; ++$n) {
            self::assertStringNotContainsString('Too many', $try('tarrenby', '10.0.0.1'));
        }
        $this->whoWaitsWaits();
        self::assertStringContainsString('Too many', $try('tarrenby', '10.0.0.1', self::PASSWORD), 'nor the right one');
        self::assertSame('in', $try('tarrenby', '10.0.0.2', self::PASSWORD), 'from elsewhere it is still open');
        $this->client->restart();
        for ($n = 0; $n < 20; ++$n) {
            $try('quillane', '10.0.1.'.$n);
        }
        $this->whoWaitsWaits();
        self::assertStringContainsString('Too many', $try('quillane', '10.0.2.1'), 'many places, one name');
        for ($n = 0; $n < 40; ++$n) {
            $try('nobody'.$n, '10.0.3.1');
        }
        $this->whoWaitsWaits();
        self::assertStringContainsString('Too many', $try('fenwarren', '10.0.3.1'), 'one place, many names');
        $this->waitsAreOver();
        self::assertSame('in', $try('fenwarren', '10.0.3.1', self::PASSWORD));
    }

    /** Eleven unknown names and eleven known ones in turn: the medians differ by less than half of either. */
    public function testAnUnknownNameTakesAsLongAsAKnownOne(): void
    {
        $took = ['fenwarren' => [], 'no-such-name' => []];
        for ($n = 0; $n < 11; ++$n) {
            foreach (array_keys($took) as $login) {
                $since = hrtime(true);
                $this->client->request(
                    'POST',
                    '/sign-in',
                    ['login' => $login, 'password' => 'wrong', '_csrf_token' => 'csrf-token'],
                    server: ['REMOTE_ADDR' => '10.1.0.'.$n],
                );
                $took[$login][] = hrtime(true) - $since;
            }
        }
        sort($took['fenwarren']);
        sort($took['no-such-name']);
        $ratio = $took['no-such-name'][5] / $took['fenwarren'][5];
        self::assertGreaterThan(0.5, $ratio);
        self::assertLessThan(2.0, $ratio);
    }

    public function testTheLastAdminStaysAndWhoLeavesIsOutWithTheNextPage(): void
    {
        $users = self::getContainer()->get(UserRepository::class);
        $fenwarren = $users->withLogin('fenwarren');
        self::assertNotNull($fenwarren);
        $enter = fn (string $login) => $this->client->request('POST', '/sign-in', [
            'login' => $login,
            'password' => self::PASSWORD,
            '_csrf_token' => 'csrf-token',
        ]);
        $enter('fenwarren');
        $session = $this->client->getCookieJar()->all();
        $this->client->getCookieJar()->clear();
        $enter('quillane');
        $admin = $users->withLogin('quillane');
        self::assertNotNull($admin);
        $this->post('/shop/people', ['login' => 'quillane', 'name' => '', 'role' => 'lead', 'password' => '']);
        self::assertStringContainsString('last admin', $this->text('.wrong'));
        $this->post('/shop/people/'.$admin->id().'/retire', []);
        self::assertStringContainsString('last admin', $this->text('.wrong'));
        $this->post('/shop/people/'.$fenwarren->id().'/retire', []);
        self::assertResponseRedirects();
        $this->client->getCookieJar()->clear();
        foreach ($session as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        $this->client->request('GET', '/');
        self::assertResponseRedirects('http://localhost/sign-in', null, 'the session of who has left is over');
        self::assertTrue($users->withLogin('fenwarren')?->isRetired());
    }

    public function testAPasswordOfOnesOwn(): void
    {
        $this->signIn();
        $wrong = [['wrong', 'a new long one', 'not your password'], [self::PASSWORD, str_repeat('x', 201), '8 to 200']];
        foreach ($wrong as [$now, $next, $said]) {
            $this->post('/me/password', ['now' => $now, 'next' => $next]);
            self::assertStringContainsString($said, $this->text('.wrong'));
        }
        $this->post('/me/password', ['now' => self::PASSWORD, 'next' => str_repeat('ä', 100)]);
        self::assertStringContainsString('is changed', $this->text('.ok'));
        $this->client->request('GET', '/');
        self::assertResponseIsSuccessful('this device stays signed in');
    }

    /** Shutting a gate is anybody's; opening one again is not. */
    public function testWhatALeadDecidedIsBroughtBackByALeadAlone(): void
    {
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $this->signIn('aldershaw');
        $override = Uuid::v7()->toRfc4122();
        $this->append($job, 'override', ['gate' => 'stuck', 'reason' => 'spun by hand outside'], $override);
        self::assertResponseStatusCodeSame(303);
        $this->signIn('tarrenby');
        $undo = Uuid::v7()->toRfc4122();
        $this->append($job, 'undo', ['cancels' => $override], $undo);
        self::assertResponseStatusCodeSame(303);
        $this->append($job, 'undo', ['cancels' => $undo]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('by a lead', $this->text());
        $this->signIn('aldershaw');
        $this->append($job, 'undo', ['cancels' => $undo]);
        self::assertResponseStatusCodeSame(303);
    }

    public function testAReadingKeptOverAnEndedSessionBelongsToWhoMadeIt(): void
    {
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $author = $this->signIn();
        $this->client->request('GET', '/');
        $this->client->getCookieJar()->clear();
        $this->append($job, 'item', ['text' => 'left hose', 'by' => $author->id()->toRfc4122()]);
        self::assertResponseRedirects('http://localhost/sign-in');
        $enter = function (string $login): void {
            $this->client->request('POST', '/sign-in', [
                'login' => $login,
                'password' => self::PASSWORD,
                '_csrf_token' => 'csrf-token',
            ]);
            $this->client->request('GET', '/kept');
        };
        $enter('tarrenby');
        self::assertStringContainsString('waits here until I. Fenwarren signs in', $this->text());
        $enter('fenwarren');
        self::assertStringContainsString('left hose', (string) $this->client->getResponse()->getContent());

        $this->signIn('tarrenby');
        $this->append($job, 'item', ['text' => 'left hose', 'by' => $author->id()->toRfc4122()]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('written by I. Fenwarren', $this->text());
        $this->post('/jobs/new', ['unit' => 'Unit 31', 'by' => $author->id()->toRfc4122()]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('written by I. Fenwarren', $this->text(), 'an intake too');
    }

    /** @param array<string, string> $fields */
    private function post(string $path, array $fields): void
    {
        $this->client->request('POST', $path, ['_token' => 'csrf-token'] + $fields);
    }

    /** Whoever waits does so for another minute, however slow this machine is: now() is when the test began. */
    private function whoWaitsWaits(): void
    {
        self::getContainer()
            ->get(Connection::class)
            ->executeStatement(
                "UPDATE login_slowdown SET wait_until = clock_timestamp() + interval '1 minute'
                    WHERE wait_until > last_at",
            );
    }

    private function waitsAreOver(): void
    {
        self::getContainer()
            ->get(Connection::class)
            ->executeStatement("UPDATE login_slowdown SET wait_until = clock_timestamp() - interval '1 second'");
    }
}
