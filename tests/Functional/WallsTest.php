<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Input\KeptFor;
use App\Text\Csv;
use App\Watch\Trouble;
use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Psr\Log\NullLogger;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Payload\ConfirmPayload;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\HandoverPayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\WaivePayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;
use Symfony\Component\Uid\Uuid;
use Twig\Environment;

/** What is sent is held against what can be kept; what is there already and cannot be read breaks no page. */
final class WallsTest extends ShopTestCase
{
    public function testWhatIsNoTextIsRefusedWithTheNamesOfItsFields(): void
    {
        $this->signIn();
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        foreach (["a\0b", "\xC3\x28", "\xED\xA0\x80"] as $bytes) {
            $this->append($job, 'item', ['text' => $bytes]);
            self::assertResponseStatusCodeSame(422);
            self::assertStringContainsString('text', $this->text('main'));
            $this->client->request('GET', '/?q='.rawurlencode($bytes));
            self::assertResponseStatusCodeSame(422);
        }
        $this->append($job, 'item', ['text' => str_repeat('ä', 501)]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('501 characters; 500 are kept', $this->text());
        $this->append($job, 'item', ['text' => ['a list']]);
        self::assertResponseStatusCodeSame(400);
        self::assertStringContainsString('could not be understood', $this->text());
        $this->append($job, 'item', ['text' => str_repeat('ä', 500)]);
        self::assertResponseStatusCodeSame(303);
    }

    /** @return iterable<string, array{string, callable(array<string, mixed>): array<string, mixed>}> */
    public static function provideFiles(): iterable
    {
        $entry = static fn (int $n, string $key, mixed $value): callable => static function (array $document) use (
            $n,
            $key,
            $value,
        ): array {
            $document['entries'][$n][$key] = $value;

            return $document;
        };
        yield 'a zero character' => ['/entries/0/payload/note', static function (array $document): array {
            $document['entries'][0]['payload']['note'] = "a\0b";

            return $document;
        }];
        yield 'a book for a note' => ['/entries/0/payload/note', static function (array $document): array {
            $document['entries'][0]['payload']['note'] = str_repeat('x', 4001);

            return $document;
        }];
        yield 'more entries than a job has' => ['at most 5000 entries', static function (array $document): array {
            $document['entries'] = array_fill(0, 5001, []);

            return $document;
        }];
        yield 'recorded before the entry before it' => [
            'recorded before the entry',
            $entry(1, 'recorded_at', '2001-01-01T00:00:00Z'),
        ];
        yield 'taken after it was recorded' => [
            'taken after it was recorded',
            $entry(1, 'taken_at', '2036-01-01T00:00:00Z'),
        ];
        yield 'the same id twice' => ['another entry has this id', static function (array $document): array {
            $document['entries'][1]['id'] = $document['entries'][0]['id'];

            return $document;
        }];
        yield 'a picture that is none' => ['/photos/0/jpeg', static function (array $document): array {
            $document['photos'] = [[
                'id' => '018f0000-0000-7000-8000-0000000000aa',
                'about' => 'check:spin@vehicle',
                'author' => $document['people'][0]['id'],
                'taken_at' => '2026-03-01T08:00:00Z',
                'width' => 40,
                'height' => 30,
                'jpeg' => base64_encode("\xFF\xD8\xFF\xE0 not a picture"),
            ]];

            return $document;
        }];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $bend */
    #[DataProvider('provideFiles')]
    public function testAFileThatCannotBeKeptLeavesNothingBehindAndSaysWhere(string $said, callable $bend): void
    {
        $this->signIn();
        $files = glob(\dirname(__DIR__).'/fixtures/exports/format-1/*.json') ?: [];
        $document = json_decode((string) file_get_contents($files[0]), true);
        self::assertIsArray($document);
        $id = Uuid::v7()->toRfc4122();
        $document['job']['id'] = $id;
        foreach (array_keys($document['entries']) as $n) {
            $document['entries'][$n]['id'] = Uuid::v7()->toRfc4122();
        }
        $this->bringIn((string) json_encode($bend($document)));
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString($said, $this->text());
        $database = self::getContainer()->get(Connection::class);
        self::assertSame(0, $database->fetchOne('SELECT count(*) FROM job_entry WHERE job_id = ?', [$id]));
        $this->bringIn((string) json_encode($document));
        self::assertResponseRedirects('/jobs/'.$id, message: 'unbent it comes in');
    }

    /** An entry of a kind of tomorrow and a damaged one: each page works, the report shows them as they are. */
    public function testAnEntryThatCannotBeReadIsShownAsItIs(): void
    {
        $author = $this->signIn();
        $job = $this->freshJob();
        $database = self::getContainer()->get(Connection::class);
        foreach ([['hologram', '{"beam": "blue"}'], ['reading', '{"check": 12}']] as $n => [$kind, $payload]) {
            $database->executeStatement(
                'INSERT INTO job_entry (id, job_id, seq, epoch, kind, format, payload, author_id, taken_at, recorded_at,
                    catalogue_hash) VALUES (?, ?, ?, 0, ?, 9, ?, ?, now(), now(), ?)',
                [Uuid::v7()->toRfc4122(), $job, 2 + $n, $kind, $payload, $author->id()->toRfc4122(), 'x'],
            );
        }
        $pages = ['bench', 'checks', 'finding', 'heat', 'items', 'report', 'report.pdf', 'job.json', 'readings.csv'];
        foreach ($pages as $page) {
            $this->client->request('GET', "/jobs/$job/$page");
            self::assertResponseIsSuccessful($page);
        }
        $this->client->request('GET', "/jobs/$job/report");
        self::assertStringContainsString('not to be read', $this->text());
        self::assertStringContainsString('{"beam":"blue"}', $this->text());
        $this->append($job, 'item', ['text' => 'the job goes on']);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$job/job.json");
        self::assertStringContainsString('"hologram"', (string) $this->client->getInternalResponse()->getContent());
    }

    public function testSixClicksOpenOneJobAndAnothersIdIsRefused(): void
    {
        $this->signIn();
        $form = [
            '_token' => 'csrf-token',
            'job' => Uuid::v7()->toRfc4122(),
            'entry' => Uuid::v7()->toRfc4122(),
            'unit' => 'Unit 88, crane',
            'split' => 'diagonal',
            'rear' => 'drum',
            'anti_lock' => 'yes',
            'assist' => 'engine-vacuum',
            'what' => 'drags',
            'where' => 'lf',
        ];
        for ($n = 0; $n < 6; ++$n) {
            $this->client->request('POST', '/jobs/new', $form);
            self::assertResponseRedirects('/jobs/'.$form['job'].'/round');
        }
        $database = self::getContainer()->get(Connection::class);
        $entries = 'SELECT count(*) FROM job_entry WHERE job_id = ?';
        $count = static fn (): mixed => $database->fetchOne($entries, [$form['job']]);
        self::assertSame(1, $count());
        $this->client->request('POST', '/jobs/new', ['entry' => Uuid::v7()->toRfc4122()] + $form);
        self::assertStringContainsString('open already', $this->text('.wrong'));
        self::assertSame(1, $count());
    }

    /** @return iterable<string, array{string, bool}> */
    public static function provideCells(): iterable
    {
        $formulas = [
            '=1+1', '+1+1', '-1+1', '@SUM(A1)', "\t=1", "\n=1", ' =1', "\u{A0}=1", '＝1', "\u{200B}=1",
            '|x', '%x', "\rx",
        ];
        foreach ($formulas as $cell) {
            yield json_encode($cell, \JSON_THROW_ON_ERROR) => [$cell, true];
        }
        foreach (['-4.5', '+3', '12', 'left front', 'a=b', '3 - 4', ''] as $cell) {
            yield json_encode($cell, \JSON_THROW_ON_ERROR) => [$cell, false];
        }
    }

    /** A device dates only what nothing hangs on: no waiver of last week, no hold cut short. */
    public function testADeviceDatesNoActOfALeadAndNoHold(): void
    {
        $kept = Request::create('/', 'POST', server: ['HTTP_X_KEPT_FOR' => '700']);
        $now = new \DateTimeImmutable('2026-03-02 08:00:00');
        $figure = new Figure('24', 'N·m', 24.0);
        foreach (
            [
                'a reading' => [new ReadingPayload(CheckAt::parse('pedal@vehicle'), ['feel' => 'firm']), true],
                'a step' => [new StepPayload('s', 'compare'), true],
                'a torque' => [new StepPayload('s', 'banjo', $figure), false],
                'a second look' => [new ConfirmPayload('e'), false],
                'a waiver' => [new WaivePayload('heat', 'no road'), false],
                'a handover' => [new HandoverPayload(), false],
            ] as $what => [$says, $dated]
        ) {
            $expected = $dated ? $now->modify('-700 seconds') : null;
            self::assertEquals($expected, KeptFor::madeAt($kept, $now, $says), $what);
        }
    }

    /** A picture sent under an id that something else has is a conflict, and leaves nothing behind. */
    public function testAPictureUnderAUsedId(): void
    {
        $this->signIn('fenwarren');
        $id = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $entry = '01a21b09-a05e-72b4-8683-85a6171cf0e1';
        $this->append($id, 'item', ['text' => 'left mirror cracked'], $entry);
        $file = tempnam(sys_get_temp_dir(), 'pic');
        imagejpeg(imagecreatetruecolor(40, 30), $file);
        $this->client->request('POST', "/jobs/$id/photos", [
            '_token' => 'csrf-token', 'about' => 'check:pedal@vehicle', 'entry' => $entry,
        ], ['photo' => new UploadedFile($file, 'p.jpg', 'image/jpeg', null, true)]);
        self::assertResponseStatusCodeSame(409);
        $database = self::getContainer()->get(Connection::class);
        self::assertSame(0, $database->fetchOne('SELECT count(*) FROM photo WHERE id = ?', [$entry]));
    }

    #[DataProvider('provideCells')]
    public function testNoCellOfATableIsAFormula(string $cell, bool $marked): void
    {
        self::assertSame($marked ? "'".$cell : $cell, Csv::harmless($cell));
    }

    public function testAFullDiskAndASilentDatabaseAreSaidInWords(): void
    {
        $trouble = new Trouble(self::getContainer()->get(Environment::class), new NullLogger());
        foreach (
            [
                ['53100', 'could not extend file: No space left on device', 507, 'The disk is full'],
                ['57P03', 'the database system is starting up', 503, 'do not answer'],
            ] as [$state, $said, $status, $words]
        ) {
            $thrown = new \PDOException($said);
            $thrown->errorInfo = [$state, 7, $said];
            $request = new Request();
            self::getContainer()->get('request_stack')->push($request);
            $event = new ExceptionEvent(
                self::$kernel ?? self::bootKernel(),
                $request,
                HttpKernelInterface::MAIN_REQUEST,
                new \RuntimeException('while saving', 0, $thrown),
            );
            $trouble->onException($event);
            self::assertSame($status, $event->getResponse()?->getStatusCode());
            self::assertStringContainsString($words, (string) $event->getResponse()->getContent());
        }
    }

    public function testItAnswersToItsOwnNamesAloneAndBehindItsOwnTlsItAsksForTls(): void
    {
        $this->client->request('GET', '/sign-in', server: ['HTTP_HOST' => 'evil.example']);
        self::assertResponseStatusCodeSame(400);
        $this->client->restart();
        $https = ['HTTP_X_FORWARDED_PROTO' => 'https'];
        $this->client->request('GET', '/sign-in', server: $https + ['REMOTE_ADDR' => '127.0.0.1']);
        self::assertResponseIsSuccessful();
        self::assertResponseHeaderSame('Strict-Transport-Security', 'max-age=31536000');
        $this->client->request('GET', '/sign-in', server: $https + ['REMOTE_ADDR' => '10.0.0.9']);
        self::assertResponseNotHasHeader('Strict-Transport-Security', 'who is not our own proxy is not believed');
    }

    public function testALeadSeesWhoDecidedWhatAndATechnicianDoesNot(): void
    {
        $job = $this->job('Unit 19', Stage::Bench)->id()->toRfc4122();
        $this->signIn('aldershaw');
        $this->append($job, 'override', ['gate' => 'stuck', 'reason' => 'spun it outside']);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', '/shop/audit');
        self::assertStringContainsString('spun it outside', $this->text('.ledger tbody tr:first-child'));
        self::assertStringContainsString('M. Aldershaw', $this->text('.ledger tbody tr:first-child'));
        $this->signIn();
        $this->client->request('GET', '/shop/audit');
        self::assertResponseStatusCodeSame(403);
    }

    public function testHowItIsIsToldToAdminsPartByPart(): void
    {
        $this->client->request('GET', '/alive');
        self::assertSame('alive', $this->client->getResponse()->getContent());
        self::assertNotSame('', (string) $this->client->getResponse()->headers->get('X-Request-Id'));
        $this->signIn('quillane');
        $this->client->request('GET', '/alive/details');
        $told = json_decode((string) $this->client->getResponse()->getContent(), true);
        self::assertSame(['web', 'database', 'worker', 'disk', 'backup'], array_keys($told['parts']));
        self::assertTrue($told['parts']['database']['well']);
        self::assertSame(['well' => false, 'said' => 'never heard of'], $told['parts']['worker']);
    }

    /** A hundred to a page; the rest is one tap away, and no page number breaks anything. */
    public function testALongListComesByThePage(): void
    {
        $this->signIn();
        $database = self::getContainer()->get(Connection::class);
        $database->executeStatement('ALTER TABLE job_line DISABLE TRIGGER USER');
        $columns = $database->fetchOne(
            "SELECT string_agg(column_name, ', ') FROM information_schema.columns
                WHERE table_name = 'job_line' AND column_name <> 'job_id'",
        );
        $database->executeStatement(
            "INSERT INTO job_line (job_id, $columns) SELECT gen_random_uuid(), $columns FROM job_line,
                generate_series(1, 25) WHERE stage <> 'done'",
        );
        $this->client->request('GET', '/');
        self::assertCount(100, $this->client->getCrawler()->filter('.job-line'));
        $this->client->clickLink('Older jobs');
        self::assertGreaterThan(0, $this->client->getCrawler()->filter('.job-line')->count());
        self::assertStringContainsString('Newer jobs', $this->text('.more-jobs'));
        foreach (['-1', '0', 'x', '99999999999999999999'] as $page) {
            $this->client->request('GET', '/?page='.$page);
            self::assertResponseIsSuccessful($page);
        }
    }
}
