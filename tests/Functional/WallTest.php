<?php

declare(strict_types=1);

namespace App\Tests\Functional;

/** A second screen is opened by a code, shows one job's next thing to nobody else, and takes nothing. */
final class WallTest extends ShopTestCase
{
    public function testACodeOpensOneJobOnAScreenWhereNobodyIsSignedIn(): void
    {
        $this->signIn('fenwarren');
        $id = $this->freshJob();
        $this->client->request('POST', "/jobs/$id/wall", ['_token' => 'csrf-token']);
        $code = $this->text('.token code');
        self::assertMatchesRegularExpression('/^\d{4} \d{4}$/', $code);
        $this->client->request('GET', "/jobs/$id/bench");
        $next = $this->text('.bench-next h1');

        $this->client->getCookieJar()->clear();
        $this->client->request('GET', '/wall');
        self::assertSelectorExists('input[name=code]');
        $this->client->request('POST', '/wall', ['_token' => 'csrf-token', 'code' => '12345678']);
        self::assertResponseStatusCodeSame(422);
        $this->client->request('POST', '/wall', ['_token' => 'csrf-token', 'code' => $code]);
        self::assertResponseRedirects('/wall');
        $this->client->followRedirect();
        self::assertSame($next, $this->text('.wall h1'), 'what the Bench says');
        self::assertStringContainsString('Unit 31, loader', $this->text('.wall-top'));
        self::assertSelectorNotExists('.wall form, .wall a, .wall button');
        $this->client->request('GET', '/wall/head');
        self::assertSame(['head' => 1], json_decode((string) $this->client->getResponse()->getContent(), true));
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertResponseRedirects('http://localhost/sign-in', message: 'and opens nothing else');
    }
}
