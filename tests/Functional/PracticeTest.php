<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Job\Job;
use App\Job\ReadJob;
use App\Practice\ComputeDebrief;
use App\Practice\ComputeDebriefHandler;
use App\Practice\PracticeVehicle;
use App\Prediction\HiddenVehicles;
use App\Text\Say;
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

        $this->client->request('GET', "/jobs/$id/debrief");
        self::assertResponseStatusCodeSame(404, 'nobody is told before it is ended');
        $this->append($id, 'closed', ['why' => 'not-ours', 'reason' => 'enough for today']);
        $this->client->request('GET', "/jobs/$id/debrief");
        self::assertStringContainsString('gone through once more', $this->text('main'));
        $container = self::getContainer();
        $container->get(ComputeDebriefHandler::class)(new ComputeDebrief($id));
        $this->client->request('GET', "/jobs/$id/debrief");
        $job = $container->get('doctrine')->getRepository(Job::class)->find($id);
        $loaded = $container->get(ReadJob::class)($job);
        [$vehicle, $suspect] = $container->get(PracticeVehicle::class)->truth($loaded) ?? self::fail('it is ended');
        $had = $container->get(Say::class)->finding($vehicle->cure(), $suspect);
        self::assertSame($had, $this->text('.practice-has'));
        $real = $this->freshJob();
        $this->client->request('GET', "/jobs/$real/debrief");
        self::assertResponseStatusCodeSame(404, 'a real vehicle has no such page');
    }

    /**
     * With one's own head: no page says what is believed or what it has, every check and repair is open, minutes run; a
     * repair that does not cure is told afterwards, with the moves that could have changed nothing.
     */
    public function testWithOnesOwnHeadToTheDebrief(): void
    {
        $this->signIn('fenwarren');
        $open = function (string $entry, string $again): string {
            $this->client->request('POST', '/practice', [
                '_token' => 'csrf-token', 'entry' => $entry, 'own_head' => '1', 'again' => $again,
            ]);

            return explode('/', (string) $this->client->getResponse()->headers->get('Location'))[2];
        };
        $any = $open('01a21b09-a05e-72b4-8683-85a6171caaaa', '');
        $database = self::getContainer()->get('doctrine')->getConnection();
        // a car whose hose lets no pressure back: the number is the vehicle, and no page holds it
        [$preset, $seed] = $this->seedOf('hose.one-way@lf');
        $database->executeStatement('UPDATE practice SET seed = ? WHERE job_id = ?', [$seed, $any]);
        $database->executeStatement('UPDATE job SET preset = ? WHERE id = ?', [$preset, $any]);
        self::getContainer()->get('doctrine')->getManager()->clear();
        $id = $open('01a21b09-a05e-72b4-8683-85a6171caaab', $any);
        self::assertNotSame($any, $id, 'the same vehicle, another job');
        $silent = function (string $page) use ($id, $seed): void {
            $this->client->request('GET', "/jobs/$id/$page");
            if ($this->client->getResponse()->isRedirect()) {
                self::assertResponseRedirects("/jobs/$id/own-head", null, $page);

                return;
            }
            $all = (string) $this->client->getResponse()->getContent();
            self::assertStringNotContainsString((string) $seed, $all, $page);
            $believed = '/\d %|suspect-list|class="fork-list"|do this next/i';
            self::assertDoesNotMatchRegularExpression($believed, $all, $page);
        };
        foreach (['bench', 'finding', 'round', 'first-look', 'report', 'job.json', 'heat', 'debrief'] as $page) {
            $this->client->request('GET', "/jobs/$id/$page");
            self::assertResponseRedirects("/jobs/$id/own-head", null, $page);
        }
        $silent('own-head');
        $look = ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'];
        $this->append($id, 'reading', ['check' => 'look@vehicle', 'word' => $look]);
        $this->append($id, 'reading', ['check' => 'vacuum-hose-look@vehicle', 'word' => ['dry']]);
        $this->append($id, 'finding', ['group' => 'caliper@lf']);
        self::assertResponseStatusCodeSame(303, 'any repair can be signed, without a word about it');
        foreach (['own-head', 'checks/spin@vehicle', 'repair', 'items'] as $page) {
            $silent($page);
        }
        self::assertStringNotContainsString((string) $seed, $this->client->request('GET', '/?show=practice')->html());
        $this->append($id, 'undo', ['cancels' => $this->lastEntry($id)]);
        $this->append($id, 'closed', ['why' => 'not-ours', 'reason' => 'nothing is shown']);
        self::getContainer()->get(ComputeDebriefHandler::class)(new ComputeDebrief($id));
        $page = $this->client->request('GET', "/jobs/$id/debrief")->filter('.debrief');
        self::assertStringContainsString('The hose at the left front', $page->filter('h1')->text());
        self::assertStringContainsString('Nothing was repaired', $page->text());
        self::assertStringContainsString('could change nothing of that', $page->filter('.costly')->text());
        self::assertCount(3, $page->filter('tbody tr'), 'one\'s own way, the advice, the usual order');
        self::assertStringContainsString('the right repair', $page->filter('tbody tr')->eq(1)->text());
        self::assertCount(2, $page->filter('.debrief-moves li'));
        $mine = $this->client->request('GET', '/practice')->filter('.debrief')->text();
        self::assertMatchesRegularExpression('/1 job.*0 right the first time.*Hose, left front.*not cured/s', $mine);
        $this->signIn('tarrenby');
        $others = $this->client->request('GET', '/practice')->filter('.debrief')->text();
        self::assertStringNotContainsString('Hose', $others);
    }

    /** @return array{string, int} a kind of vehicle, and a number under which it has this and its driver says so */
    private function seedOf(string $suspect): array
    {
        $vehicles = self::getContainer()->get(HiddenVehicles::class);
        for ($seed = 731_904_201; $seed < 731_908_201; ++$seed) {
            [$vehicle, $has] = $vehicles->drawn('medium-car', $seed) ?? self::fail('Warm medium-car first.');
            if ($has->is($suspect) && 'drags-lf' === ($vehicle->answer('complaint@vehicle')[''] ?? '')) {
                return ['medium-car', $seed];
            }
        }

        self::fail("no medium car has $suspect");
    }

    private function lastEntry(string $job): string
    {
        $last = self::getContainer()->get('doctrine')->getConnection()->fetchOne(
            'SELECT id FROM job_entry WHERE job_id = ? ORDER BY seq DESC LIMIT 1',
            [$job],
        );

        return \is_string($last) ? $last : self::fail('it has no entry');
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
