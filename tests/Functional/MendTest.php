<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use Rodrel\Core\Job\Stage;

/** What was put down wrongly can be mended: which vehicle, which brakes, whose job it is, what was recorded twice. */
final class MendTest extends ShopTestCase
{
    private const CAR = ['unit' => 'Mend 2', 'split' => 'front-rear', 'rear' => 'disc', 'anti_lock' => 'yes',
        'assist' => 'engine-vacuum', '_token' => 'csrf-token'];

    public function testTheVehicleOfAJobIsMendedUntilItsBrakesWereRead(): void
    {
        $this->signIn('fenwarren');
        $id = $this->freshJob();
        $this->client->request('POST', "/jobs/$id/mend", self::CAR);
        self::assertResponseRedirects("/jobs/$id/bench");
        $this->client->request('GET', "/jobs/$id/report");
        self::assertStringContainsString('Mend 2', $this->text('h1'));
        self::assertStringContainsString('Unit 31, loader → Mend 2', $this->text('.report'), 'as it was');
        $this->client->request('GET', '/');
        self::assertStringContainsString('Mend 2', $this->text('.jobs'), 'the list follows');
        self::assertStringNotContainsString('Unit 31, loader', $this->text('.jobs'));

        $this->send($id, ['kind' => 'reading', 'check' => 'pedal@vehicle', 'word' => ['feel' => 'firm']]);
        $this->client->request('POST', "/jobs/$id/mend", ['rear' => 'drum', 'split' => 'diagonal'] + self::CAR);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('open a new job for the vehicle', $this->text('.wrong'));
        $this->client->request('POST', "/jobs/$id/mend", ['unit' => 'Mend 3'] + self::CAR);
        self::assertResponseRedirects("/jobs/$id/bench", message: 'its name can still be mended');
    }

    public function testAJobThatIsNotOursIsClosedAndIsNoHandover(): void
    {
        $this->signIn('fenwarren');
        $id = $this->freshJob();
        $this->send($id, ['kind' => 'closed', 'why' => 'not-ours', 'reason' => '']);
        self::assertResponseStatusCodeSame(422, 'it wants a reason');
        $this->send($id, ['kind' => 'closed', 'why' => 'not-ours', 'reason' => 'belongs to the ferry']);
        $this->client->request('GET', "/jobs/$id");
        self::assertResponseRedirects("/jobs/$id/report");
        $this->client->request('GET', "/jobs/$id/report");
        $said = 'not handed over, nothing is proved. belongs to the ferry';
        self::assertStringContainsString($said, $this->text('.report header'));
    }

    public function testASecondAnswerUnderTheSameNumberIsACorrectionOnlyWhenSaid(): void
    {
        $this->signIn('fenwarren');
        $id = $this->freshJob();
        $entry = '01a21b09-a05e-72b4-8683-85a6171cf0d3';
        $sent = ['kind' => 'reading', 'check' => 'pedal@vehicle', 'entry' => $entry];
        $this->send($id, $sent + ['word' => ['feel' => 'firm']]);
        $this->send($id, $sent + ['word' => ['feel' => 'spongy']]);
        self::assertResponseStatusCodeSame(409);
        self::assertStringContainsString('firm', $both = mb_strtolower($this->text('.two')), 'both in words');
        self::assertStringContainsString('springy', $both);
        foreach (['as it is sent', 'and sent again'] as $time) {
            $this->send($id, ['corrects' => $entry, 'entry' => '01a21b09-a05e-72b4-8683-85a6171cf0d4',
                'word' => ['feel' => 'spongy']] + $sent);
            self::assertResponseStatusCodeSame(303, $time);
        }
        $this->client->request('GET', "/jobs/$id/job.json");
        $log = json_decode((string) $this->client->getResponse()->getContent(), true)['entries'];
        self::assertSame(['intake', 'reading', 'undo', 'reading'], array_column($log, 'kind'));
    }

    public function testWhatADeviceKeptIsTakenOnceAndAtItsTime(): void
    {
        $this->signIn('fenwarren');
        $id = $this->freshJob();
        $sent = ['kind' => 'reading', 'check' => 'pedal@vehicle', 'entry' => '01a21b09-a05e-72b4-8683-85a6171cf0d5',
            'word' => ['feel' => 'firm']];
        foreach ([1, 2] as $time) {
            $this->send($id, $sent, ['HTTP_X_KEPT_FOR' => '600']);
            self::assertSame(['taken' => true], json_decode((string) $this->client->getResponse()->getContent(), true));
        }
        $this->send($id, ['word' => ['feel' => 'spongy']] + $sent, ['HTTP_X_KEPT_FOR' => '600']);
        self::assertResponseStatusCodeSame(409);
        $this->client->request('GET', "/jobs/$id/job.json");
        $log = json_decode((string) $this->client->getResponse()->getContent(), true)['entries'];
        self::assertCount(2, $log, 'sent twice, taken once');
        $times = array_map(strtotime(...), [$log[1]['taken_at'], $log[1]['recorded_at']]);
        self::assertEqualsWithDelta(600, $times[1] - $times[0], 2, 'made ten minutes before it was sent');
    }

    public function testTwoJobsOfOneVehicleAreJoinedUnderTheNamesAndTimesTheyHave(): void
    {
        $this->signIn('aldershaw');
        $first = $this->freshJob();
        $this->send($first, ['kind' => 'reading', 'check' => 'pedal@vehicle', 'word' => ['feel' => 'spongy']]);
        $this->send($first, ['kind' => 'item', 'text' => 'left mirror cracked']);
        $this->signIn('fenwarren');
        $second = $this->freshJob();
        $this->send($second, ['kind' => 'reading', 'check' => 'look@vehicle', 'word' => ['level' => 'bad']]);
        $crawler = $this->client->request('GET', "/jobs/$first/mend");
        self::assertSame($second, $crawler->filter('[name=into]')->attr('value'), 'the other open job is offered');
        $sent = ['_token' => 'csrf-token', 'into' => $second, 'entry' => '01a21b09-a05e-72b4-8683-85a6171cf0d9'];
        foreach ([1, 2] as $time) {
            $this->client->request('POST', "/jobs/$first/join", $sent);
            self::assertResponseRedirects("/jobs/$second/bench");
        }

        $this->client->request('GET', "/jobs/$second/job.json");
        $log = json_decode((string) $this->client->getResponse()->getContent(), true)['entries'];
        self::assertSame(['intake', 'reading', 'reading', 'item'], array_column($log, 'kind'), 'sent twice, done once');
        $this->client->request('GET', "/jobs/$second/bench");
        self::assertStringContainsString('springy', mb_strtolower($this->text('.trail')));
        $row = $this->client->request('GET', "/jobs/$second/report")->filter('.report-trail tr')->eq(2)->text();
        self::assertStringContainsString('M. Aldershaw', $row, 'who read it');
        self::assertStringContainsString('Fenwarren', $row, 'and who joined them');
        $this->client->request('GET', "/jobs/$first");
        self::assertResponseRedirects("/jobs/$first/report", message: 'the first one is closed');
        $this->client->request('GET', "/jobs/$first/report");
        self::assertStringContainsString('Joined with the other job', $this->text('.report header'));
        $this->client->request('POST', "/jobs/$second/join", ['into' => $first, 'entry' => ''] + $sent);
        self::assertResponseRedirects("/jobs/$second/mend", message: 'a closed one takes nothing');
    }

    public function testAFinishedSheetIsOpenedAgainWithItsReason(): void
    {
        $this->signIn('fenwarren');
        $id = $this->job('Unit 15', Stage::Bleed)->id()->toRfc4122();
        $crawler = $this->client->request('GET', "/jobs/$id/repair");
        $finished = (string) $crawler->filter('.reopen [name=cancels]')->attr('value');
        $this->send($id, ['kind' => 'undo', 'cancels' => $finished, 'reason' => 'banjo washer was forgotten']);
        $this->client->request('GET', "/jobs/$id");
        self::assertResponseRedirects("/jobs/$id/repair");
        $this->client->request('GET', "/jobs/$id/repair");
        self::assertSelectorExists('.steps');
        self::assertSelectorNotExists('.reopen');
        $this->client->request('GET', "/jobs/$id/report");
        self::assertStringContainsString('banjo washer was forgotten', $this->text('.report'));
    }

    /**
     * @param array<string, mixed> $form
     * @param array<string, string> $server
     */
    private function send(string $job, array $form, array $server = []): void
    {
        $this->client->request('POST', "/jobs/$job/entries", $form + ['_token' => 'csrf-token'], server: $server);
    }
}
