<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Instrument\Pairing;
use Rodrel\Core\Quantity\InstrumentReading;
use Rodrel\Core\Quantity\Unit;

/** Bridges are paired by a lead, heard by their token, and told line by line what was wrong. */
final class InstrumentTest extends ShopTestCase
{
    public function testABridgeIsPairedHeardAndForgotten(): void
    {
        $this->signIn('fenwarren');
        $this->client->request('POST', '/shop/instruments', ['_token' => 'csrf-token']);
        self::assertResponseStatusCodeSame(403, 'a technician pairs nothing');
        $this->signIn('aldershaw');
        $this->client->request('POST', '/shop/instruments', ['_token' => 'csrf-token']);
        $token = $this->text('.token code');
        self::assertSame(32, \strlen($token), '24 random bytes');
        $now = new \DateTimeImmutable('2026-03-02T10:40:00+00:00');
        $good = InstrumentReading::line(Unit::Celsius, 74.25, 'Thermometer A', $now);
        $tail = ', "time": "2026-03-02T10:40:00+00:00", "instrument": "A"}';
        $lines = [
            $good,
            '{"kind": "temperature", "value": 80, "unit": "bar"'.$tail,
            'hello',
            '{"kind": "temperature", "value": -300, "unit": "°C"'.$tail,
        ];
        self::assertSame(401, $this->send('wrong', $good)['status']);
        $answer = $this->send($token, ...$lines);
        self::assertSame(207, $answer['status']);
        self::assertSame(1, $answer['said']['accepted']);
        self::assertSame([2, 3, 4], array_column($answer['said']['refused'], 'line'));
        self::assertSame('/unit', $answer['said']['refused'][0]['at']);

        $this->client->request('GET', '/instruments/fresh/temperature');
        $fresh = json_decode((string) $this->client->getResponse()->getContent(), true);
        self::assertSame(['74.25 °C', 'Thermometer A'], [$fresh[0]['typed'], $fresh[0]['instrument']]);
        $this->client->request('GET', '/instruments/fresh/pressure');
        self::assertSame('[]', $this->client->getResponse()->getContent());

        $this->client->request('POST', '/shop/instruments', ['_token' => 'csrf-token']);
        self::assertSame(401, $this->send($token, $good)['status'], 'the new token ended the old one');
        $pairing = self::getContainer()->get(Pairing::class);
        self::assertFalse($pairing->fits(''));
        for ($n = 0; $n < 10 && 429 !== $this->send("guess $n", $good)['status']; ++$n) {
        }
        self::assertLessThan(8, $n, 'whoever guesses is sent away');
        self::assertTrue($this->client->getResponse()->headers->has('Retry-After'));
    }

    public function testASimulatedOneReadsAVehicleWhoseFaultOnlyItKnows(): void
    {
        $this->signIn('fenwarren');
        $set = ['preset' => 'medium-car', 'number' => '7', 'check' => 'heat-loop@vehicle'];
        $crawler = $this->client->request('GET', '/instruments/simulated', $set);
        self::assertCount(4, $crawler->filter('.simulated-rows button'), 'a temperature for each wheel');
        self::assertStringNotContainsString($this->text('.simulated-hidden p'), $this->text('h1'));
        $this->client->request('POST', '/instruments/simulated', [...$set, 'row' => 'rr', '_token' => 'csrf-token']);
        $shown = $this->text('.simulated-face b');
        self::assertMatchesRegularExpression('/^\d+(\.\d+)? °C$/', $shown);
        $this->client->request('GET', '/instruments/fresh/temperature');
        $fresh = json_decode((string) $this->client->getResponse()->getContent(), true);
        self::assertSame('Simulated instrument', $fresh[0]['instrument']);
        self::assertSame($shown, $fresh[0]['typed'], 'what it shows is what it sent');

        $this->client->request('POST', '/instruments/simulated', [...$set, 'row' => 'fifth', '_token' => 'csrf-token']);
        self::assertSame('– – –', $this->text('.simulated-face b'), 'no such row: nothing is sent');
    }

    /** @return array{status: int, said: array<string, mixed>} */
    private function send(string $token, string ...$lines): array
    {
        $this->client->request(
            'POST',
            '/instruments/readings',
            server: ['HTTP_AUTHORIZATION' => 'Bearer '.$token, 'CONTENT_TYPE' => 'application/x-ndjson'],
            content: implode("\n", $lines),
        );

        return [
            'status' => $this->client->getResponse()->getStatusCode(),
            'said' => (array) json_decode((string) $this->client->getResponse()->getContent(), true),
        ];
    }
}
