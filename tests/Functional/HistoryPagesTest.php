<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Symfony\Component\Uid\Uuid;

/** What is measured at the wheels, how a vehicle stands, and what its jobs have in common. */
final class HistoryPagesTest extends ShopTestCase
{
    /** 9.4 mm at 40 000 km, 6.4 at 55 000 by another job: 0.2 mm a thousand, 4.4 mm above the least: 22 000 km. */
    public function testFiguresMakeWordsAndStayWithTheVehicle(): void
    {
        $this->signIn();
        $first = $this->freshJob();
        $pads = static fn (float $thinnest): array => [
            'inner_a' => (string) $thinnest,
            'inner_b' => $thinnest.' mm',
            'outer_a' => (string) ($thinnest + 2.0),
            'outer_b' => str_replace('.', ',', (string) ($thinnest + 2.0)),
        ];
        $this->wheelsOff($first);
        $this->append($first, 'reading', ['check' => 'wear@lf', 'km' => '40 000'] + $pads(9.4));
        self::assertResponseRedirects();
        $second = $this->freshJob();
        $this->wheelsOff($second);
        $this->append($second, 'reading', ['check' => 'wear@lf', 'km' => '55 000'] + $pads(6.4));
        $this->append($second, 'reading', ['check' => 'wear@rf', 'km' => '55 000'] + $pads(9.2));
        $this->client->request('GET', "/jobs/$second/measure");
        $wheel = $this->text('.measure-corner.at-lf');
        self::assertStringContainsString('6.4 mm', $wheel);
        self::assertStringContainsString('4.4 mm to go, about 22 000 km', $wheel);
        self::assertStringContainsString('The pads at the left front are clearly thinner', $this->text('h1'));
        self::assertStringContainsString('Inner pad thinner at the left front', $this->text('.measure-said'));
        $this->client->clickLink('Unit 31, loader');
        self::assertStringContainsString("9.4 mm · 40\u{00A0}000\u{00A0}km", $this->text('.stamps'));
        self::assertCount(2, $this->client->getCrawler()->filter('.stamp')->eq(0)->filter('circle'));
        self::assertCount(2, $this->client->getCrawler()->filter('.vehicle-page a[href^="/jobs/0"]'), 'both jobs');

        // the next job begins with it: 6.4 − 2.0 and 9.2 − 2.0 mm to go, measured just now
        $vehicle = basename((string) parse_url($this->client->getRequest()->getUri(), \PHP_URL_PATH));
        $crawler = $this->client->request('GET', '/jobs/new?vehicle='.$vehicle);
        self::assertSame('4.4', $crawler->filter('[name="linings[lf]"]')->attr('value'));
        self::assertSame('7.2', $crawler->filter('[name="linings[rf]"]')->attr('value'));
        self::assertStringContainsString('left front 4.4 mm', $this->text('form.intake'));
        $third = $this->freshJob(['linings' => ['lf' => '4.4', 'rf' => '7.2', 'lr' => 'soup']]);
        $this->client->request('GET', "/jobs/$third/job.json");
        $intake = json_decode((string) $this->client->getResponse()->getContent(), true)['entries'][0]['payload'];
        self::assertSame(['lf' => 4.4, 'rf' => 7.2], $intake['linings']);
    }

    public function testARotorRoundTheClock(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->wheelsOff($id);
        $send = fn (array $figures) => $this->append($id, 'reading', ['check' => 'rotor-round@rf'] + $figures);
        $send(['t1' => '22.00', 't2' => '22.01']);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('the sheet wants them all', $this->text('.plate'));
        $row = static fn (string $letter, string ...$values): array => array_combine(
            array_map(static fn (int $n): string => $letter.$n, range(1, 8)),
            $values,
        );
        $send(
            $row('t', '22.00', '22.01', '22.03', '22.02', '22.01', '22.00', '21.99', '22.00')
            + $row('f', '0', '0.01', '0.05', '0.09', '0.10', '0.09', '0.05', '0.01')
            // one hole of five is 8/5 places: the crest of the hub comes at 3.4 instead of 5
            + $row('u', '0.03', '0.08', '0.10', '0.09', '0.06', '0.02', '0', '0.01')
        );
        self::assertResponseRedirects();
        $this->client->request('GET', "/jobs/$id/measure");
        self::assertStringContainsString('Varies by 0.04 mm, runs out by 0.10 mm', $this->text('.at-rf'));
        self::assertStringContainsString('the high spot stays with the hub', $this->text('h1'));
        self::assertCount(3, $this->client->getCrawler()->filter('.clock-line'));
        self::assertCount(8, $this->client->getCrawler()->filter('.plot-table tbody tr'));
        $this->client->request('GET', "/jobs/$id/report");
        self::assertStringContainsString('Thickness: varies', $this->text('#trail'));
    }

    /** Past its limit: now. A little above the least: soon. What nobody looked at is asked for. */
    public function testTheConditionReport(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'reading', [
            'check' => 'look@vehicle',
            'word' => ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'],
        ]);
        $this->wheelsOff($id);
        $limit = ['part' => 'rotor', 'measured' => '19.8', 'limit' => '20.0'];
        $this->append($id, 'reading', ['check' => 'limits@lf'] + $limit);
        $this->append($id, 'reading', ['check' => 'shoes-left@lr', 'leading' => '2.4', 'trailing' => '3.1']);
        $this->append($id, 'reading', ['check' => 'shoes-left@rr', 'leading' => '4.4', 'trailing' => '5']);
        $this->client->request('GET', "/jobs/$id/condition");
        self::assertStringContainsString('One thing has to be done now', $this->text('h1'));
        self::assertMatchesRegularExpression(
            '/Rotor, left front.*19.8 mm, 0.2 mm past.*Replace both rotors.*€/',
            $this->text('[data-due=now]'),
        );
        self::assertMatchesRegularExpression('/Shoes, left rear.*2.4 mm, 0.9 mm left/', $this->text('[data-due=soon]'));
        self::assertStringContainsString('Shoes, right rear', $this->text('.condition-good'));
        self::assertStringContainsString('Brake warning lamps', $this->text('.condition-good'));
        self::assertStringContainsString('Test the fluid', $this->text('.condition'));
    }

    public function testALabelOpensTheVehicleAndWhatIsDueStandsOnOnePage(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'item', ['text' => 'Core of the old caliper back', 'due' => '2031-01-01', 'about' => '']);
        $this->client->request('GET', '/due');
        self::assertStringContainsString('Core of the old caliper back', $this->text('.ledger'));
        $this->client->request('GET', "/jobs/$id/bench");
        $this->client->clickLink('Unit 31, loader');
        self::assertStringContainsString('Core of the old caliper back', $this->text('.vehicle-page'));
        $this->client->clickLink('Label');
        self::assertStringContainsString('http://localhost/vehicles/', $this->text('.unit-address'));
        self::assertGreaterThan(100, $this->client->getCrawler()->filter('.unit-label-card svg rect')->count());
        $this->client->request('GET', '/vehicles/'.Uuid::v7()->toRfc4122());
        self::assertResponseStatusCodeSame(404);
    }

    /** The estate got a caliper twelve days ago; the flatbed's cylinder was only signed: nothing was fitted. */
    public function testWhatTheShopFittedStandsInTheNextIntake(): void
    {
        $this->signIn();
        $job = $this->job('Unit 15', Stage::Bleed);
        $vehicle = $job->vehicleId()->toRfc4122();
        $this->client->request('GET', "/jobs/new?vehicle=$vehicle");
        self::assertSelectorExists('select[name="parts[0][part]"] option[value=caliper][selected]');
        self::assertSelectorExists('select[name="parts[0][place]"] option[value=rr][selected]');
        $other = $this->job('Unit 28', Stage::Repair)->vehicleId()->toRfc4122();
        $this->client->request('GET', "/jobs/new?vehicle=$other");
        self::assertSelectorNotExists('select[name="parts[0][part]"] option[value=cylinder][selected]');
    }

    /** The same wheel drags again: what was done there, and what was left alone then, stands beside the suspects. */
    public function testAVehicleThatComesBackNamesWhatWasTouched(): void
    {
        $this->signIn();
        $job = $this->job('Unit 15', Stage::Bleed);
        $brakes = self::getContainer()->get(Catalogue::class)->presets[$job->preset()]['questions'];
        $id = Uuid::v7()->toRfc4122();
        $this->client->request('POST', '/jobs/new', [
            '_token' => 'csrf-token', 'job' => $id, 'entry' => Uuid::v7()->toRfc4122(), 'unit' => $job->unit(),
            'split' => $brakes['split'], 'rear' => $brakes['rear'], 'assist' => $brakes['assist'],
            'anti_lock' => $brakes['anti_lock'] ? 'yes' : 'no', 'what' => 'drags', 'where' => 'rr', 'pattern' => '',
            'note' => '',
        ]);
        $this->client->request('GET', "/jobs/$id/bench");
        $said = $this->text('.common');
        self::assertMatchesRegularExpression('/^Came back: Caliper, right rear, \d+ days ago\. Not touched/', $said);
        self::assertStringNotContainsString('Caliper, right rear', explode('Not touched then', $said)[1]);
        $this->client->request('GET', '/jobs/'.$this->freshJob().'/bench');
        self::assertStringNotContainsString('Came back', $this->text('main'));
    }

    private function wheelsOff(string $id): void
    {
        $this->append($id, 'lift', ['to' => 'wheels-off', 'stands' => '1']);
        self::assertResponseRedirects();
    }
}
