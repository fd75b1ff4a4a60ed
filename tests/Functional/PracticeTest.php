<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Instrument\PracticeVehicle;
use App\Job\Job;
use App\Job\ReadJob;
use App\Prediction\HiddenVehicles;
use Rodrel\Core\Catalogue\Catalogue;

/** A job to play with: the invented vehicle answers every sheet by itself, and as a sound one once it is cured. */
final class PracticeTest extends ShopTestCase
{
    public function testItAnswersWhatIsAskedAndIsCuredByTheRightRepair(): void
    {
        $this->signIn('fenwarren');
        // the first of these numbers that is a car with a pedal
        for ($n = 1; '' === ($id ?? '') || !isset($this->answer($id, 'pedal@vehicle')['numbers']['travel']); ++$n) {
            self::assertLessThan(9, $n, 'eight practice vehicles without a pedal');
            $sent = ['_token' => 'csrf-token', 'entry' => '01a21b09-a05e-72b4-8683-85a6171cf0e'.$n];
            $to = [];
            foreach ([1, 2] as $time) {
                $this->client->request('POST', '/practice', $sent);
                self::assertResponseStatusCodeSame(303);
                $to[] = (string) $this->client->getResponse()->headers->get('Location');
            }
            self::assertSame($to[0], $to[1], 'sent twice, opened once');
            $id = explode('/', $to[0])[2];
        }
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringContainsString('an invented vehicle', $this->text('.way-practice'));

        $answer = $this->answer($id, 'pedal@vehicle');
        self::assertSame(['sink', 'feel'], array_keys($answer['words']));
        self::assertMatchesRegularExpression('/^[\d.]+ mm$/', $answer['numbers']['travel'], 'with its unit');
        self::assertSame($answer, $this->answer($id, 'pedal@vehicle'), 'the same as long as it is not recorded');
        $again = ['sink' => $answer['words']['sink'], 'feel' => $answer['words']['feel']];
        $this->append($id, 'reading', ['check' => 'pedal@vehicle', 'word' => $again, 'number' => $answer['numbers']]);
        $later = $this->answer($id, 'pedal@vehicle')['numbers'];
        self::assertNotSame($answer['numbers'], $later, 'and wavers after that');

        $this->client->request('GET', "/jobs/$id/practice");
        $container = self::getContainer();
        $job = $container->get('doctrine')->getRepository(Job::class)->find($id);
        $loaded = $container->get(ReadJob::class)($job);
        self::assertSame($container->get(PracticeVehicle::class)->has($loaded), $this->text('.practice-has'));
        $real = $this->freshJob();
        $this->client->request('GET', "/jobs/$real/practice");
        self::assertResponseStatusCodeSame(404, 'a real vehicle has no such page');
    }

    /** What is only practised stands in a list of its own: not among the shop's vehicles, counts, or what is due. */
    public function testPracticeCountsNowhere(): void
    {
        $this->signIn('fenwarren');
        $counts = fn (): array => \array_slice($this->client->request('GET', '/')->filter('.chips a')->each(
            static fn ($chip): string => $chip->text(),
        ), 0, 3);
        $before = $counts();
        $this->client->request('POST', '/practice', [
            '_token' => 'csrf-token', 'entry' => '01a21b09-a05e-72b4-8683-85a6171cffff',
        ]);
        $job = explode('/', (string) $this->client->getResponse()->headers->get('Location'))[2];
        $this->append($job, 'item', ['text' => 'a bolt to buy', 'due' => date('Y-m-d'), 'safety' => '1']);
        self::assertResponseStatusCodeSame(303);
        self::assertSame($before, $counts());
        $link = "a[href='/jobs/$job']";
        foreach (['shed', 'mine', 'done'] as $list) {
            $all = $this->client->request('GET', "/?show=$list&q=practice");
            self::assertCount(0, $all->filter($link), "not among $list");
        }
        self::assertCount(1, $this->client->request('GET', '/?show=practice')->filter($link));
        self::assertStringNotContainsString('a bolt to buy', $this->client->request('GET', '/due')->text());
    }

    public function testEveryKindOfVehicleCanBePractisedOn(): void
    {
        $this->signIn('fenwarren');
        $vehicles = self::getContainer()->get(HiddenVehicles::class);
        $catalogue = self::getContainer()->get(Catalogue::class);
        $said = [];
        foreach (['medium-car', 'all-drum-single', 'wet-disc-loader', 'air-disc-lorry'] as $preset) {
            for ($number = 1; $number <= 12; ++$number) {
                [$vehicle] = $vehicles->drawn($preset, $number) ?? self::fail('Warm '.$preset.' first.');
                $said[$preset][] = $vehicle->answer('complaint@vehicle')[''] ?? '';
                self::assertIsArray($vehicle->answer('pattern@vehicle'), 'a machine\'s driver is not asked');
            }
        }
        foreach ($said as $preset => $complaints) {
            $known = ['none', ...array_keys($catalogue->complaints->all)];
            self::assertSame([], array_diff($complaints, $known), $preset);
            self::assertNotSame(['none'], array_unique($complaints), $preset);
        }
    }

    /** @return array{words: array<string, string>, numbers: array<string, string>} */
    private function answer(string $job, string $check): array
    {
        $this->client->request('GET', "/jobs/$job/practice/$check");
        $answer = json_decode((string) $this->client->getResponse()->getContent(), true);
        self::assertIsArray($answer);

        return $answer;
    }
}
