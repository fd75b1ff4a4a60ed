<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use PHPUnit\Framework\Attributes\DataProvider;

/** Who gets in, what the policy says, what errors look like. */
final class DoorTest extends ShopTestCase
{
    public function testNobodySeesAJobWithoutSigningIn(): void
    {
        foreach (['/', '/jobs/new', '/jobs/01a210cc-0048-7393-9be6-08bd82fd7d5d/bench'] as $path) {
            $this->client->request('GET', $path);
            self::assertResponseRedirects('http://localhost/sign-in');
        }
    }

    public function testSigningInAndOut(): void
    {
        $this->client->request('POST', '/sign-in', [
            'login' => 'tarrenby',
            'password' => 'wrong',
            '_csrf_token' => 'csrf-token',
        ]);
        $this->client->followRedirect();
        self::assertStringContainsString('do not belong together', $this->text('.wrong'));
        $this->client->request('POST', '/sign-in', [
            'login' => 'tarrenby',
            'password' => 'thornwater',
            '_csrf_token' => 'csrf-token',
        ]);
        self::assertResponseRedirects('/');
        $this->client->followRedirect();
        self::assertStringContainsString('O. Tarrenby', $this->text('.head-who'));
        $this->client->request('POST', '/sign-out', ['_csrf_token' => 'csrf-token']);
        $this->client->request('GET', '/');
        self::assertResponseRedirects('http://localhost/sign-in');
    }

    public function testAfterFiveWrongPasswordsTheNextTryWaits(): void
    {
        $try = function (string $password): string {
            $this->client->request('POST', '/sign-in', [
                'login' => 'tarrenby',
                'password' => $password,
                '_csrf_token' => 'csrf-token',
            ]);

            return (string) $this->client->getResponse()->headers->get('Location');
        };
        for ($n = 0; $n < 5; ++$n) {
            $try('wrong');
        }
        self::assertStringEndsWith('/sign-in', $try('thornwater'), 'not even the right one, for a while');
        $this->client->followRedirect();
        self::assertStringContainsString('Too many wrong tries', $this->text('.wrong'));
        self::getContainer()
            ->get(\Doctrine\DBAL\Connection::class)
            ->executeStatement("UPDATE login_slowdown SET wait_until = now() - interval '1 second'");
        self::assertSame('http://localhost/', $try('thornwater'));
    }

    public function testAFormFromElsewhereIsRefused(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request(
            'POST',
            "/jobs/$id/entries",
            ['_token' => 'csrf-token', 'kind' => 'cool'],
            server: ['HTTP_ORIGIN' => 'http://elsewhere.invalid', 'HTTP_REFERER' => 'http://elsewhere.invalid/trap'],
        );
        self::assertResponseStatusCodeSame(403);
        $this->client->getCookieJar()->clear();
        $this->client->request(
            'POST',
            "/jobs/$id/entries",
            ['_token' => 'csrf-token', 'kind' => 'cool'],
            server: ['HTTP_ORIGIN' => 'http://elsewhere.invalid', 'HTTP_REFERER' => 'http://elsewhere.invalid/trap'],
        );
        self::assertResponseStatusCodeSame(403, 'and it is not kept for after signing in either');
    }

    #[DataProvider('providePages')]
    public function testTheContentPolicyIsStrictOnEveryPage(string $path, int $status): void
    {
        $this->signIn();
        $this->client->request('GET', $path);
        self::assertResponseStatusCodeSame($status);
        $policy = (string) $this->client->getResponse()->headers->get('Content-Security-Policy');
        self::assertStringStartsWith("default-src 'none'; script-src 'self' 'nonce-", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
        self::assertDoesNotMatchRegularExpression(
            '/ style="| onclick=|https?:\/\/(?!localhost|www\.w3\.org)/',
            (string) $this->client->getResponse()->getContent(),
        );
        self::assertStringContainsString('service data', $this->text('.foot'));
    }

    /** @return iterable<string, array{string, int}> */
    public static function providePages(): iterable
    {
        yield 'jobs' => ['/', 200];
        yield 'new job' => ['/jobs/new', 200];
        yield 'not found' => ['/jobs/01a210cc-0048-7393-9be6-08bd82fd7d5d/bench', 404];
    }

    public function testOnlyALeadMayWaiveAndOverride(): void
    {
        $this->signIn('fenwarren');
        $id = $this->freshJob();
        $this->append($id, 'waive', ['criterion' => 'dry', 'reason' => 'because']);
        self::assertResponseStatusCodeSame(403);
        self::assertStringContainsString('A lead can do this', $this->text());
        $this->signIn('aldershaw');
        $this->append($id, 'override', ['gate' => 'stuck', 'reason' => 'seen stuck on the ramp']);
        self::assertResponseStatusCodeSame(303);
    }
}
