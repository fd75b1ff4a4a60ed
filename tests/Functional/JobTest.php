<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Job\Job;
use App\Job\JobEntry;
use App\Job\JobLine;
use App\Job\ProjectJobLine;
use App\Job\ReadJob;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Rodrel\Core\Job\Stage;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\Uid\Uuid;

/** The log and the pages that write to it. */
final class JobTest extends ShopTestCase
{
    private const SPIN = [
        'check' => 'spin@vehicle',
        'word' => ['lf' => 'will-not-turn', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'],
    ];

    public function testAReadingChangesWhatTheBenchSays(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertSame('First look', $this->text('h1'));
        $this->append($id, 'lift', ['to' => 'raised', 'stands' => '1']);
        $this->append($id, 'reading', self::SPIN);
        $this->client->followRedirect();
        $this->client->followRedirect();
        self::assertNotSame('', $this->text('.learned'));
        self::assertStringContainsString('Left front will not turn', $this->text('.trail'));
        self::assertStringContainsString('left front', $this->text('.suspect-list .name'));
    }

    public function testTheBenchWorksWhileThePredictionsAreComputed(): void
    {
        $this->signIn();
        $id = Uuid::v7()->toRfc4122();
        $new = [
            '_token' => 'csrf-token',
            'job' => $id,
            'entry' => Uuid::v7()->toRfc4122(),
            'unit' => 'Unit 02, van',
            'rear' => 'drum',
            'assist' => 'engine-vacuum',
            'what' => 'drags',
            'where' => 'rear',
            'pattern' => '',
            'note' => '',
        ];
        $this->client->request('POST', '/jobs/new', ['split' => 'single', 'anti_lock' => 'yes'] + $new);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('ABS is not built on a single circuit', $this->text('.wrong'));
        self::assertStringContainsString('Unit 02, van', (string) $this->client->getResponse()->getContent());

        $this->client->request(
            'POST',
            '/jobs/new',
            [
                'split' => 'front-rear',
                'anti_lock' => 'no',
                'own_parts' => 'yes',
                'front' => 'four-piston',
                'solid_axle' => '1',
                'rear_valve' => '1',
            ] + $new,
        );
        $this->client->followRedirect();
        self::assertStringContainsString('being computed', $this->text('h1'));
        $this->append($id, 'reading', [
            'check' => 'look@vehicle',
            'word' => ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'],
        ]);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringContainsString('dry everywhere', $this->text('.trail'));
    }

    public function testTheListShowsTheJobAndFindsItByWhatWasRead(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request('GET', '/?q=loader+drags');
        self::assertCount(1, $this->client->getCrawler()->filter('.job-line'));
        self::assertStringContainsString('drags left front', $this->text('.job-what'));
        $this->client->request('GET', '/?q=nothing+of+the+kind');
        self::assertStringContainsString('Nothing found', $this->text('.jobs'));
        $this->append($id, 'item', ['text' => 'relay of the pump pulled', 'safety' => '1']);
        $this->client->request('GET', '/?q=relay');
        self::assertStringContainsString('1 open item', $this->text('.job-next'));
    }

    /** Waiting for what, by whom, in which order; what is due by today is counted where everybody looks. */
    public function testTheListIsNarrowedAndOrdered(): void
    {
        $this->signIn('tarrenby');
        $id = $this->freshJob();
        $this->append($id, 'item', ['text' => 'hose again', 'due' => '2020-01-01']);
        $listed = function (string $query): array {
            $lines = $this->client->request('GET', '/?'.$query)->filter('.job-line');

            return $lines->each(static fn (Crawler $line): string => (string) $line->attr('href'));
        };
        self::assertContains("/jobs/$id", $listed('waits=due'));
        $due = (int) $this->text('.due-now');
        self::assertCount($due, $listed('waits=due'));
        self::assertContains("/jobs/$id", $listed('waits=bench&who='.$this->signIn('tarrenby')->id()));
        self::assertNotContains("/jobs/$id", $listed('waits=repair'));
        self::assertNotContains("/jobs/$id", $listed('who='.$this->signIn('aldershaw')->id()));
        self::assertSame("/jobs/$id", $listed('sort=newest')[0]);
        $oldest = $listed('sort=oldest');
        self::assertSame("/jobs/$id", end($oldest));
        self::assertSame($listed(''), $listed('sort=sideways&waits=godot&who=x'), 'what is unknown asks for nothing');
    }

    public function testTheSameEntryTwiceIsOneAndAnotherUnderItsNumberIsShownBesideIt(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $entry = Uuid::v7()->toRfc4122();
        $this->append($id, 'item', ['text' => 'plug'], $entry);
        $this->append($id, 'item', ['text' => 'plug'], $entry);
        self::assertResponseStatusCodeSame(303);
        self::assertSame(2, $this->entries($id));
        $this->append($id, 'item', ['text' => 'something else'], $entry);
        self::assertResponseStatusCodeSame(409);
        self::assertStringContainsString('plug', $this->text('.two'));
        self::assertStringContainsString('something else', $this->text('.two'));
        self::assertSame(2, $this->entries($id));
    }

    /** Two people at one wheel: whose answer stands, and whose was another, by name, on the sheet and in the trail. */
    public function testWhoseAnswerStandsAndWhoseDiffers(): void
    {
        $this->signIn('tarrenby');
        $id = $this->freshJob();
        $this->append($id, 'lift', ['to' => 'raised', 'stands' => '1']);
        $free = ['rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'];
        $this->append($id, 'reading', ['check' => 'spin@vehicle', 'word' => ['lf' => 'two-hands'] + $free]);
        $this->signIn('fenwarren');
        $this->append($id, 'reading', ['check' => 'spin@vehicle', 'word' => ['lf' => 'one-hand'] + $free]);
        $this->client->request('GET', "/jobs/$id/checks/spin@vehicle");
        $rows = $this->client->getCrawler()->filter('.row-now')->each(
            static fn (Crawler $row): string => trim((string) preg_replace('/\s+/', ' ', $row->text())),
        );
        self::assertMatchesRegularExpression(
            '/^One hand · I\. Fenwarren, \d\d:\d\d Differs: O\. Tarrenby: two hands$/i',
            $rows[0],
        );
        self::assertMatchesRegularExpression('/^One finger · I\. Fenwarren, \d\d:\d\d$/', $rows[1]);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertMatchesRegularExpression('/I\. Fenwarren; Differs: O\. Tarrenby/', $this->text('.trail'));
    }

    /** A sheet answered in part says what is open; what cannot be measured is recorded as that, and not asked again. */
    public function testASheetInPartSaysWhatIsOpen(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'reading', ['check' => 'look@vehicle', 'word' => ['level' => 'good']]);
        $this->client->request('GET', "/jobs/$id/checks/look@vehicle");
        $open = 'Still open: Wet anywhere, Brake warning lamps.';
        self::assertStringContainsString($open, $this->text('.check-answer'));
        $this->client->submitForm('Record that it cannot be measured', ['reason' => 'under the tray']);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$id/checks/look@vehicle");
        self::assertCount(0, $this->client->getCrawler()->filter('.cannot'));
        self::assertSame('cannot', \array_slice($this->kinds($id), -1)[0]);
        $this->client->request('GET', "/jobs/$id/report");
        self::assertStringContainsString('under the tray', $this->text());
        $this->append($id, 'cannot', ['check' => 'spin@vehicle']);
        self::assertStringContainsString('Tick at least one row', $this->text());
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('provideWrong')]
    public function testWhatCannotBeIsRefusedWithASentenceAndNothingIsLost(
        string $kind,
        array $fields,
        string $sentence,
        string $kept,
    ): void {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, $kind, $fields);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString($sentence, $this->text('.plate'));
        if ('' !== $kept) {
            self::assertStringContainsString($kept, (string) $this->client->getResponse()->getContent());
        }
        self::assertSame(1, $this->entries($id));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function provideWrong(): iterable
    {
        $pedal = static fn (string $travel): array => [
            'check' => 'pedal@vehicle',
            'number' => ['travel' => $travel],
            'word' => ['sink' => 'none'],
        ];
        yield 'no number' => ['reading', $pedal('a lot'), '“a lot” is not a number', 'a lot'];
        yield 'a unit of something else' => ['reading', $pedal('60 bar'), 'The unit “bar” does not fit', '60 bar'];
        yield 'a number that can hardly be' => ['reading', $pedal('6'), 'can hardly be', '6'];
        $heat = static fn (string $surface): array => [
            'check' => 'heat-arrival@vehicle',
            'number' => ['lf' => '168', 'rf' => '90 F', 'lr' => '26', 'rr' => '27'],
            'air' => '16',
            'surface' => $surface,
        ];
        yield 'a mirror measured' => ['reading', $heat('bright'), 'mirrors what is around it', '168'];
        yield 'temperatures of a vehicle that stood' => ['reading', $heat('rusty'), 'driven in just now', '90 F'];
        yield 'a row left open' => [
            'reading',
            ['check' => 'look@vehicle'],
            'Answer at least one row',
            '',
        ];
        yield 'a wheel spun on the ground' => ['reading', self::SPIN, 'stands on level ground', 'will-not-turn'];
        yield 'a check that is not there' => [
            'reading',
            ['check' => 'magic@lf', 'word' => ['x']],
            'does not fit this job',
            '',
        ];
        yield 'an empty item' => ['item', ['text' => ' '], 'Write what is left open', ''];
        yield 'strokes that are words' => [
            'bleed',
            ['corner' => 'lf', 'strokes' => 'many', 'bubbles' => 'few', 'clear' => '1'],
            'whole number',
            'many',
        ];
        yield 'a handover without proof' => ['handover', [], 'final test is not passed', ''];
        yield 'a torque in words' => [
            'step',
            ['sheet' => 'x', 'step' => 'banjo', 'figure' => 'tight'],
            '“tight” is not a number',
            'tight',
        ];
    }

    public function testAReadingSentAfterTheSessionEndedIsAppendedAfterSigningIn(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $entry = Uuid::v7()->toRfc4122();
        $this->client->getCookieJar()->clear();
        $this->append($id, 'item', ['text' => 'plug in the line'], $entry);
        self::assertResponseRedirects('http://localhost/sign-in');
        $this->client->request('POST', '/sign-in', [
            'login' => 'fenwarren',
            'password' => 'thornwater',
            '_csrf_token' => 'csrf-token',
        ]);
        $this->client->followRedirect();
        self::assertStringContainsString('Still to be recorded', $this->text('h1'));
        $this->client->submitForm('Record it now');
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$id/items");
        self::assertStringContainsString('plug in the line', $this->text('.items'));
        self::assertSame(2, $this->entries($id));
    }

    public function testANumberIsKeptAsTypedWithItsUnit(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'reading', [
            'check' => 'pedal@vehicle',
            'number' => ['travel' => '2,7 in'],
            'word' => ['sink' => 'none'],
        ]);
        $this->client->followRedirect();
        $this->client->followRedirect();
        self::assertStringContainsString('2,7 in', $this->text('.trail'));
        self::assertStringContainsString('normal', $this->text('.trail'), '68.6 mm is what a sound car shows');
    }

    /** What was seen is kept; the rows that were left open can still be asked. */
    public function testAHalfFilledSheetIsKept(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'reading', ['check' => 'look@vehicle', 'word' => ['level' => 'good']]);
        $this->append($id, 'reading', ['check' => 'look@vehicle', 'word' => ['wet' => 'lr']]);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringContainsString('Look at level, wet and lamps', $this->text('.round-rows'), 'lamps are open');
        self::assertStringContainsString('wet left rear', mb_strtolower($this->text('.trail')));
    }

    public function testTheDatabaseRefusesToChangeALog(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $database = self::getContainer()->get(Connection::class);
        foreach (['UPDATE job_entry SET seq = 9 WHERE job_id = ?', 'DELETE FROM job_entry WHERE job_id = ?'] as $sql) {
            $database->executeStatement('SAVEPOINT before_it');
            try {
                $database->executeStatement($sql, [$id]);
                self::fail('The log was changed.');
            } catch (DriverException $refused) {
                self::assertStringContainsString('only ever added to', $refused->getMessage());
            }
            $database->executeStatement('ROLLBACK TO SAVEPOINT before_it');
        }
    }

    public function testTheListsLineCanBeBuiltAgainFromTheLog(): void
    {
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        foreach ($entities->getRepository(Job::class)->findAll() as $job) {
            $line = $entities->find(JobLine::class, $job->id());
            self::assertNotNull($line);
            $before = [
                $line->stage,
                $line->next,
                $line->told,
                $line->madeBy,
                $line->road,
                $line->hotSpots,
                $line->openItems,
                $line->search,
            ];
            self::getContainer()->get(ProjectJobLine::class)(self::getContainer()->get(ReadJob::class)($job));
            self::assertEquals($before, [
                $line->stage,
                $line->next,
                $line->told,
                $line->madeBy,
                $line->road,
                $line->hotSpots,
                $line->openItems,
                $line->search,
            ]);
        }
    }

    public function testTheHeadAnswers304UntilSomebodyAdds(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request('GET', "/jobs/$id/head");
        $etag = (string) $this->client->getResponse()->headers->get('ETag');
        $this->client->request('GET', "/jobs/$id/head", server: ['HTTP_IF_NONE_MATCH' => $etag]);
        self::assertResponseStatusCodeSame(304);
        $this->signIn('tarrenby');
        $this->append($id, 'item', ['text' => 'plug']);
        $this->client->request('GET', "/jobs/$id/head", server: ['HTTP_IF_NONE_MATCH' => $etag]);
        self::assertSame(
            'O. Tarrenby added: Open item',
            json_decode((string) $this->client->getResponse()->getContent(), true)['said'],
        );
    }

    /** Thirty readings, some of them unsure, a name that never ends: the page holds, and says how open it still is. */
    public function testAnUglyJobIsStillReadable(): void
    {
        $this->signIn();
        $id = $this->job('Unit 04', Stage::Bench)->id()->toRfc4122();
        $this->client->request('GET', "/jobs/$id/bench");
        $page = $this->client->getCrawler();
        self::assertGreaterThanOrEqual(30, $page->filter('.trail li')->count());
        self::assertGreaterThanOrEqual(3, $page->filter('.suspect-list .name')->count());
        self::assertStringContainsString('old quarry railway', $this->text('.head-title'));
    }

    public function testGoingBackIsAlwaysPossible(): void
    {
        $this->signIn();
        $id = $this->job('Unit 07', Stage::Proof)->id()->toRfc4122();
        foreach (['intake', 'bench', 'finding', 'repair', 'bleed', 'proof', 'report', 'items', 'checks'] as $room) {
            $this->client->request('GET', "/jobs/$id/$room");
            self::assertResponseIsSuccessful($room);
            self::assertNotSame('', $this->text('h1'), $room);
        }
    }

    /** Two fluids that never meet are refused before the first bleeder; the maker's own order is kept. */
    public function testABleedRunBeginsWithTheRightFluid(): void
    {
        $this->signIn();
        $id = $this->job('Unit 15', Stage::Bleed)->id()->toRfc4122();
        $this->append($id, 'bleed-setup', [
            'method' => 'pressure',
            'plate' => 'glycol',
            'fluid' => 'silicone',
            'purpose' => 'renew',
        ]);
        self::assertStringContainsString('never meet', $this->text('.plate'));
        $this->append($id, 'bleed-setup', [
            'method' => 'pressure',
            'plate' => 'glycol',
            'fluid' => 'glycol',
            'purpose' => 'renew',
            'own' => 'lf, roof',
        ]);
        self::assertStringContainsString('lf, rf, lr, rr', $this->text('.plate'));
        $this->append($id, 'bleed-setup', [
            'method' => 'pressure',
            'plate' => 'glycol',
            'fluid' => 'glycol',
            'purpose' => 'renew',
            'own' => 'rr lf',
        ]);
        $this->client->request('GET', "/jobs/$id/bleed");
        self::assertStringContainsString("the maker's own order", $this->text('.bleed'));
        self::assertStringContainsString('50 mL in a row', $this->text('.bleed'));
    }

    public function testTakingAReadingBackUnsignsTheFinding(): void
    {
        $this->signIn();
        $job = $this->job('Unit 23', Stage::Repair);
        $loaded = self::getContainer()->get(ReadJob::class)($job);
        $rests = $loaded->state->story->finding()->payload->readings ?? [];
        self::assertNotSame([], $rests);
        $this->append($job->id()->toRfc4122(), 'undo', ['cancels' => end($rests)]);
        $this->client->request('GET', '/jobs/'.$job->id().'/repair');
        self::assertStringContainsString('No repair sheet yet', $this->text('h1'));
    }

    public function testSigningAgainstTheEvidenceWantsAReason(): void
    {
        $this->signIn();
        $id = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $this->append($id, 'finding', ['group' => 'hose@lr']);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('Wheel cylinder, left rear', $this->text('.plate'));
        $this->append($id, 'finding', ['group' => 'hose@lr', 'against' => 'hose visibly swollen']);
        self::assertResponseStatusCodeSame(303);
    }

    private function entries(string $job): int
    {
        return self::getContainer()
            ->get(EntityManagerInterface::class)
            ->getRepository(JobEntry::class)
            ->count(['jobId' => Uuid::fromString($job)]);
    }
}
