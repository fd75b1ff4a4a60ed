<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Shop\ShopSettings;
use Rodrel\Core\Job\Stage;

/** Settings, units, the tablet from hand to hand, and the vehicle's own figures. */
final class ShopPageTest extends ShopTestCase
{
    private const SHOP = [
        'name' => 'Thornwater vehicle shed',
        'currency' => 'EUR',
        'time_zone' => 'Europe/Lisbon',
        'rate' => '84,50',
        'fluid' => '16',
        'threshold' => '92',
        'second' => '15',
        'second_after' => '40',
        'raise' => '4',
        'wheels' => '6',
        'bleed' => '12',
        'confirm' => '80',
        'helper' => '3',
        'comeback' => '150',
        'school' => [
            'bleed_order' => 'nearest-first',
            'pair' => 'failed-only',
            'cylinder' => 'slip-past',
            'fluid_held' => 'propped',
            'hose_with_caliper' => 'evidence',
        ],
        'tools' => ['box-spanner'],
        'price' => ['hose' => ['parts' => '31', 'minutes' => '']],
    ];

    public function testALeadChangesWhatCountsAndATechnicianOnlySees(): void
    {
        $this->signIn();
        $this->client->request('POST', '/shop', ['_token' => 'csrf-token'] + self::SHOP);
        self::assertResponseStatusCodeSame(403);
        $this->signIn('aldershaw');
        $this->client->request('POST', '/shop', ['_token' => 'csrf-token', 'threshold' => '120'] + self::SHOP);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('51 to 99', $this->text('.wrong'));
        self::assertSame(
            '120',
            $this->client->getCrawler()->filter('input[name=threshold]')->attr('value'),
            'what was typed is still there',
        );
        $this->client->request('POST', '/shop', ['_token' => 'csrf-token'] + self::SHOP);
        self::assertResponseRedirects('/shop?kept=shop');
        $shop = self::getContainer()->get(ShopSettings::class);
        $shop->reset();
        self::assertEqualsWithDelta(8450.0 / 60.0, $shop->isolation()->labour->rateCentsPerMinute, 1e-6);
        self::assertSame(['line-wrench'], $shop->isolation()->missingTools(['box-spanner', 'line-wrench']));
        self::assertEqualsWithDelta(3100.0, $shop->isolation()->prices['hose']['parts_cents'] ?? 0.0, 1e-6);
        self::assertSame('nearest-first', $shop->practice()->bleedOrder);
        // one section is kept by itself, and opens again with what it says
        $this->client->request('POST', '/shop', ['_token' => 'csrf-token', 'section' => 'tools', 'tools' => []]);
        self::assertResponseRedirects('/shop?kept=tools');
        self::assertStringContainsString('are kept', $this->client->followRedirect()->filter('details[open]')->text());
        $shop->reset();
        self::assertSame(['box-spanner'], $shop->isolation()->missingTools(['box-spanner']));
        self::assertSame('nearest-first', $shop->practice()->bleedOrder, 'nothing else was touched');
        $this->client->request('POST', '/shop', ['_token' => 'csrf-token', 'section' => 'none']);
        self::assertResponseStatusCodeSame(422);
    }

    /** 2.65 in is 67.3 mm; a bare number takes the unit that the person thinks in, and is kept as typed. */
    public function testUnitsOfThePersonAtTheScreen(): void
    {
        $this->signIn();
        $this->client->request('POST', '/me/units', ['_token' => 'csrf-token']);
        $id = $this->freshJob();
        $this->client->request('GET', "/jobs/$id/checks/pedal@vehicle");
        self::assertStringContainsString('in', $this->text('.answer-number label small'));
        $this->append($id, 'reading', [
            'check' => 'pedal@vehicle',
            'number' => ['travel' => '2.65'],
            'word' => ['sink' => 'none'],
        ]);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$id/readings.csv");
        $line = array_values(
            array_filter(
                explode("\n", (string) $this->client->getInternalResponse()->getContent()),
                static fn (string $l): bool => str_contains($l, 'travel'),
            ),
        )[0];
        self::assertStringContainsString(',2.65,in,67.31,', $line);
    }

    public function testTheVehiclesOwnFiguresGoFirst(): void
    {
        $this->signIn();
        $id = $this->job('Unit 23', Stage::Repair)->id()->toRfc4122();
        $this->append($id, 'figures', ['figure' => ['master_bore_mm' => '400']]);
        self::assertResponseStatusCodeSame(422);
        $this->append($id, 'figures', ['figure' => ['drum_max_mm' => '230'], 'torque' => ['bracket-bolts' => '105']]);
        self::assertResponseStatusCodeSame(303);
        $this->client->request('GET', "/jobs/$id/repair");
        self::assertStringContainsString('own: 105 N·m', $this->text('#step-bracket-bolts'));
        $this->client->request('GET', "/jobs/$id/checks/limits@lr");
        $this->append($id, 'lift', ['to' => 'wheels-off', 'stands' => '1']);
        $this->append($id, 'reading', [
            'check' => 'limits@lr',
            'part' => 'drum',
            'measured' => '229.2',
            'limit' => '240',
        ]);
        self::assertStringContainsString('misread', $this->text('.plate'));
        $this->append($id, 'reading', [
            'check' => 'limits@lr',
            'part' => 'drum',
            'measured' => '230.4',
            'limit' => '230',
        ]);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringContainsString('Past its limit', $this->text('.trail'));
        $this->append($id, 'figures', ['figure' => ['master_bore_mm' => '19.05']]);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringContainsString('being computed', $this->text('h1'), 'another bore, other predictions');
    }
}
