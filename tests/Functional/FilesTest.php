<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Exchange\CopyInCommand;
use App\Exchange\ShopSeal;
use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Rodrel\Core\Job\Stage;
use Symfony\Component\HttpFoundation\File\UploadedFile;

/** What leaves the shop as a file and comes in as one. */
final class FilesTest extends ShopTestCase
{
    public function testAJobGoesOutAndComesInAgainWithoutADifference(): void
    {
        $this->signIn();
        $job = $this->job('Unit 23', Stage::Repair);
        $id = $job->id()->toRfc4122();
        $this->photo($id, 'step:photograph');
        self::assertResponseStatusCodeSame(303);
        $out = $this->get("/jobs/$id/job.json");
        self::assertStringContainsString('"jpeg": "/9j/', $out);

        $database = self::getContainer()->get(Connection::class);
        $database->executeStatement('ALTER TABLE job_entry DISABLE TRIGGER job_entry_final');
        foreach (
            ['job_entry' => 'job_id', 'photo' => 'job_id', 'job_line' => 'job_id', 'job' => 'id'] as $table => $column
        ) {
            $database->executeStatement("DELETE FROM $table WHERE $column = ?", [$id]);
        }
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertResponseStatusCodeSame(404);
        $this->bringIn($out);
        self::assertResponseRedirects("/jobs/$id");
        self::assertSame($out, $this->get("/jobs/$id/job.json"));
        $this->bringIn($out);
        self::assertResponseRedirects("/jobs/$id", message: 'the same document again changes nothing');
    }

    public function testADocumentThatDoesNotFitChangesNothingAndSaysWhere(): void
    {
        $this->signIn();
        $id = $this->job('Unit 23', Stage::Repair)->id()->toRfc4122();
        $document = json_decode($this->get("/jobs/$id/job.json"), true);
        foreach (
            [
                ['/entries/0/seq', 7],
                ['/entries/1/author', '00000000-0000-4000-8000-000000000000'],
                ['/job/preset', 'sledge'],
                ['/format', 2],
            ] as $n => [$path, $value]
        ) {
            $broken = $document;
            $broken['job']['id'] = \sprintf('018f0000-0000-7000-8000-00000000000%d', $n);
            $at = &$broken;
            foreach (explode('/', ltrim($path, '/')) as $key) {
                $at = &$at[$key];
            }
            $at = $value;
            unset($at);
            $this->bringIn((string) json_encode($broken));
            self::assertResponseStatusCodeSame(422);
            self::assertStringContainsString('/job/preset' === $path ? '/preset' : $path, $this->text('.wrong'));
        }
        $other = $document;
        $other['job']['unit'] = 'Unit 23, another van';
        $this->bringIn((string) json_encode($other));
        self::assertStringContainsString('here already', $this->text('.wrong'));
    }

    /** A file without our seal: its lines are claims, and what would open a gate sleeps until a lead stands for it. */
    public function testAnotherShopsSignaturesSleepUntilALeadCountersignsThem(): void
    {
        $this->signIn();
        $document = json_decode(
            $this->get('/jobs/'.$this->job('Unit 23', Stage::Repair)->id()->toRfc4122().'/job.json'),
            true,
        );
        $id = $document['job']['id'] = '018f0000-0000-7000-8000-0000000000aa';
        foreach ($document['entries'] as &$entry) {
            $entry['id'] = substr_replace($entry['id'], 'aaaa', 9, 4);
        }
        unset($entry);
        $finding = array_values(
            array_filter($document['entries'], static fn (array $e): bool => 'finding' === $e['kind']),
        )[0];
        $document['photos'] = [];
        $this->bringIn((string) json_encode($document, \JSON_PRESERVE_ZERO_FRACTION));
        self::assertResponseRedirects("/jobs/$id");
        $this->client->request('GET', "/jobs/$id/repair");
        self::assertStringContainsString(
            'No repair sheet yet',
            $this->text('h1'),
            'a signature from elsewhere signs nothing here',
        );
        $this->append($id, 'countersign', ['countersigns' => $finding['id']]);
        self::assertResponseStatusCodeSame(403, 'a technician cannot stand for it');

        $this->signIn('aldershaw');
        $this->client->request('GET', "/jobs/$id/report");
        self::assertStringContainsString('waits for a lead to countersign', $this->text('.report'));
        $this->append($id, 'countersign', ['countersigns' => $finding['id']]);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$id/repair");
        self::assertStringNotContainsString('No repair sheet yet', $this->text('h1'));
        $again = json_decode($this->get("/jobs/$id/job.json"), true);
        self::assertSame(
            $document['people'],
            array_values(
                array_filter($again['people'], static fn (array $p): bool => \in_array($p, $document['people'], true)),
            ),
        );
        self::assertSame(
            $document['entries'],
            self::asSent(\array_slice($again['entries'], 0, \count($document['entries']))),
            'what came from elsewhere goes out as it came',
        );
    }

    /** Our seal makes nobody's claim our own: what was brought in is brought in wherever it is restored. */
    public function testAClaimStaysAClaimUnderOurOwnSeal(): void
    {
        $this->signIn();
        $document = json_decode(
            $this->get('/jobs/'.$this->job('Unit 23', Stage::Repair)->id()->toRfc4122().'/job.json'),
            true,
        );
        $document['photos'] = [];
        $this->bringIn((string) json_encode(self::renamed($document, 'cccc'), \JSON_PRESERVE_ZERO_FRACTION));
        $id = substr_replace($document['job']['id'], 'cccc', 9, 4);
        $ours = json_decode($this->get("/jobs/$id/job.json"), true);
        $seal = self::getContainer()->get(ShopSeal::class);
        self::assertTrue($seal->isOurs($ours), 'we wrote it');
        $copy = self::renamed($ours, 'dddd');
        unset($copy['seal']);
        $copy['seal'] = $seal->of($copy);
        $this->bringIn((string) json_encode($copy, \JSON_PRESERVE_ZERO_FRACTION));
        $restored = $copy['job']['id'];
        self::assertResponseRedirects("/jobs/$restored");
        $this->client->request('GET', "/jobs/$restored/repair");
        self::assertStringContainsString('No repair sheet yet', $this->text('h1'), 'the signature still sleeps');
        self::assertSame($ours['entries'][0]['brought'], json_decode(
            $this->get("/jobs/$restored/job.json"),
            true,
        )['entries'][0]['brought']);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed> the same under other ids
     */
    private static function renamed(array $document, string $four): array
    {
        $document['job']['id'] = substr_replace($document['job']['id'], $four, 9, 4);
        foreach ($document['entries'] as $n => $entry) {
            $document['entries'][$n]['id'] = substr_replace($entry['id'], $four, 9, 4);
        }

        return $document;
    }

    /**
     * @param list<array<string, mixed>> $entries
     *
     * @return list<array<string, mixed>> without who brought them
     */
    private static function asSent(array $entries): array
    {
        return array_map(static fn (array $one): array => array_diff_key($one, ['brought' => 1]), $entries);
    }

    /** Twelve jobs as the first version of the format wrote them: each comes in, and nothing of it is lost. */
    #[DataProvider('provideFirstFormat')]
    public function testAJobWrittenInTheFirstFormatStillComesIn(string $file): void
    {
        $this->signIn();
        $document = json_decode((string) file_get_contents($file), true);
        $fresh = bin2hex(random_bytes(2));
        $document['job']['id'] = $id = substr_replace($document['job']['id'], $fresh, 9, 4);
        foreach (['entries', 'photos'] as $list) {
            foreach ($document[$list] as &$row) {
                $row['id'] = substr_replace($row['id'], $fresh, 9, 4);
            }
            unset($row);
        }
        $this->bringIn((string) json_encode($document, \JSON_PRESERVE_ZERO_FRACTION));
        self::assertResponseRedirects("/jobs/$id");
        $again = json_decode($this->get("/jobs/$id/job.json"), true);
        self::assertSame($document['entries'], self::asSent($again['entries']));
        $this->client->request('GET', "/jobs/$id/report");
        self::assertResponseIsSuccessful();
    }

    /** @return iterable<string, array{string}> */
    public static function provideFirstFormat(): iterable
    {
        foreach (glob(\dirname(__DIR__).'/fixtures/exports/format-1/*.json') ?: [] as $file) {
            yield basename($file) => [$file];
        }
    }

    public function testReadingsAsRows(): void
    {
        $this->signIn();
        $id = $this->job('Unit 07', Stage::Bench)->id()->toRfc4122();
        $lines = array_map(
            static fn (string $line): array => str_getcsv($line, ',', '"', ''),
            explode("\n", trim($this->get("/jobs/$id/readings.csv"))),
        );
        self::assertSame(
            ['seq', 'epoch', 'taken_at', 'check', 'place', 'row', 'word', 'typed', 'unit', 'core', 'unsure', 'author'],
            $lines[0],
        );
        $travel = array_values(
            array_filter($lines, static fn (array $line): bool => 'pedal' === $line[3] && 'travel' === $line[5]),
        );
        self::assertCount(1, $travel);
        self::assertSame(['mm', 'vehicle'], [$travel[0][8], $travel[0][4]]);
        self::assertEqualsWithDelta((float) $travel[0][7], (float) $travel[0][9], 0.01);
    }

    public function testAPictureIsMadeSmallAndForgetsWhereItWasTaken(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->photo($id, 'check:look@vehicle', 3000, 2000);
        $this->client->request('GET', "/jobs/$id/checks/look@vehicle");
        $source = (string) $this->client->getCrawler()->filter('.photos img')->attr('src');
        [$width, $height] = getimagesizefromstring($jpeg = $this->get($source)) ?: [0, 0];
        self::assertSame([1600, 1067], [$width, $height]);
        self::assertStringNotContainsString('Exif', $jpeg);
        $bad = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        file_put_contents($bad, '<?php echo 1;');
        $this->client->request(
            'POST',
            "/jobs/$id/photos",
            ['_token' => 'csrf-token', 'about' => 'check:look@vehicle'],
            ['photo' => new UploadedFile($bad, 'x.jpg', 'image/jpeg', null, true)],
        );
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('not a picture', $this->text('.plate'));
    }

    public function testTheReportAsAFile(): void
    {
        $this->signIn();
        $id = $this->job('Unit 12', Stage::Done)->id()->toRfc4122();
        $pdf = $this->get("/jobs/$id/report.pdf");
        self::assertSame('%PDF', substr($pdf, 0, 4));
        self::assertGreaterThanOrEqual(2, preg_match_all('~/Type /Page\b~', $pdf), 'one page and the trail');
        // in the other language, whatever its reader has chosen, and only this once
        $this->client->request('GET', "/jobs/$id/report?in=de");
        self::assertSame('de', $this->client->getCrawler()->filter('html')->attr('lang'));
        self::assertStringContainsString('Beanstandung', $this->text('.report'));
        $pdf = $this->client->getCrawler()->filter('.report-files a[href*=pdf]');
        self::assertStringContainsString('in=de', (string) $pdf->attr('href'));
        $this->client->request('GET', "/jobs/$id/report");
        self::assertSame('en', $this->client->getCrawler()->filter('html')->attr('lang'));
    }

    /** One page to take away, in the customer's language: no names of people, no odds, what is unsafe first. */
    public function testThePageForTheCustomer(): void
    {
        $this->signIn('tarrenby');
        $id = $this->job('Unit 12', Stage::Done)->id()->toRfc4122();
        $this->client->request('GET', "/jobs/$id/customer");
        $said = $this->text('.customer');
        foreach (
            [
                'Thornwater vehicle shed', 'Repaired, tested and handed over', 'drags right front',
                'The guide pins at the right front do not slide.', 'Free guide pins and pads, right front',
                'Hardest press, then every wheel spins', 'Have the wheel nuts tightened again after 50 km.',
            ] as $words
        ) {
            self::assertStringContainsString($words, $said);
        }
        self::assertDoesNotMatchRegularExpression('/Tarrenby|Fenwarren|%/', $said);
        $this->client->request('GET', "/jobs/$id/customer?in=de");
        self::assertSame('de', $this->client->getCrawler()->filter('.customer')->attr('lang'));
        self::assertStringContainsString('Was wir gefunden haben', $this->text('.customer'));
        self::assertDoesNotMatchRegularExpression('/guide pins|Press, let go/', $this->text('.customer'));
        self::assertStringContainsString('Final test', $this->text('nav'), 'the rest of the page stays as it is');
        $pdf = $this->get("/jobs/$id/customer.pdf?in=xx");
        self::assertSame('%PDF', substr($pdf, 0, 4));
        self::assertSame(1, preg_match_all('~/Type /Page\b~', $pdf), 'one page');

        $id = $this->freshJob();
        $this->append($id, 'item', [
            'text' => 'Hose cracked', 'refused' => '1', 'reason' => 'wants to sell it', 'told' => 'it can burst',
        ]);
        $this->client->request('GET', "/jobs/$id/customer");
        self::assertStringContainsString('Do not drive this vehicle', $this->text('.customer-state'));
        $unsafe = 'Hose cracked. You decided against it: wants to sell it.';
        self::assertStringContainsString($unsafe, $this->text('.unsafe'));
    }

    private function get(string $path): string
    {
        $this->client->request('GET', $path);
        self::assertResponseIsSuccessful($path);

        return (string) $this->client->getInternalResponse()->getContent();
    }

    private function photo(string $job, string $about, int $width = 40, int $height = 30): void
    {
        $image = imagecreatetruecolor($width, $height);
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        imagejpeg($image, $file);
        $this->client->request(
            'POST',
            "/jobs/$job/photos",
            ['_token' => 'csrf-token', 'about' => $about],
            ['photo' => new UploadedFile($file, 'wheel.jpg', 'image/jpeg', null, true)],
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function provideBackups(): iterable
    {
        $person = "COPY public.person (id, login, name, role, password_hash) FROM stdin;\n"
            ."018f0000-0000-7000-8000-00000000aa01\twexcombe\tW. Wexcombe\tadmin\t\n\\.\n";
        yield 'a table of its own' => ["COPY public.cron (id) FROM stdin;\n1\n\\.\n", 'a table that no shop has: cron'];
        yield 'a column of its own' => [
            "COPY public.person (id, trigger) FROM stdin;\n1\t2\n\\.\n",
            'person has columns that no shop has',
        ];
        yield 'cut off' => [substr($person, 0, -3), 'ends in the middle of the table person'];
        yield 'no figures where figures are' => [
            str_replace('018f0000', 'hello', $person),
            'its table person cannot be read',
        ];
        yield 'a part of it' => [$person, 'these tables are not in it: job, job_entry, photo, vehicle'];
        $empty = static fn (string $table): string => "COPY public.$table (id) FROM stdin;\n\\.\n";
        $rest = $empty('job_entry').$empty('photo').$empty('vehicle');
        yield 'a job of no vehicle' => [
            $person.$rest."COPY public.job (id, unit, preset, parts, opened_at, vehicle_id) FROM stdin;\n"
                ."018f0000-0000-7000-8000-00000000aa02\tUnit 1\tmedium-car\t{}\t2026-03-02 08:00:00+00\t"
                ."018f0000-0000-7000-8000-00000000aa03\n\\.\n",
            '1 lines of job belong to nothing in vehicle',
        ];
        yield 'nobody to administer it' => [
            str_replace('admin', 'lead', $person).$rest.$empty('job'),
            'nobody in it may administer',
        ];
        yield 'whole, with a statement in it that is not run' => [
            "DROP TABLE job;\n".$person."UPDATE person SET role = 'lead';\n".$rest.$empty('job'),
            '',
        ];
    }

    /** Of a backup nothing is taken but lines of known tables, and it is whole or refused in words. */
    #[DataProvider('provideBackups')]
    public function testABackupIsDataAndHoldsTogether(string $dump, string $wrong): void
    {
        $file = fopen('php://memory', 'w+');
        \assert(false !== $file);
        fwrite($file, "SET statement_timeout = 0;\n".$dump);
        rewind($file);
        $restore = self::getContainer()->get(CopyInCommand::class);
        $said = $restore->take($file) ?? $restore->check() ?? '';
        '' === $wrong ? self::assertSame('', $said) : self::assertStringContainsString($wrong, $said);
        if ('' === $wrong) {
            $database = self::getContainer()->get(Connection::class);
            self::assertSame('admin', $database->fetchOne('SELECT role FROM person'));
            self::assertSame(0, $database->fetchOne('SELECT count(*) FROM job'));
        }
    }
}
