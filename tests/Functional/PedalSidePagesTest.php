<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use Symfony\Component\Uid\Uuid;

/** What the pedal side asks of the door: several sheets at once, quotes, money spent, assist that is not modelled. */
final class PedalSidePagesTest extends ShopTestCase
{
    /** A road that nothing was looked at for: what one check would tell stands together, with that check behind it. */
    public function testAClosedGateNamesWhatWouldOpenIt(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $gates = fn (): array => $this->client->request('GET', "/jobs/$id/checks/road-shake@vehicle")
            ->filter('.gate')
            ->each(static fn ($gate): array => [$gate->filter('p')->count(), $gate->filter('a, button')->text('')]);
        self::assertSame([
            [3, 'Look at level, wet and lamps'],
            [3, 'Hold the pedal firm, engine on'],
            [4, 'Press, let go, spin each wheel'],
        ], \array_slice($gates(), 0, 3));
        $this->append($id, 'reading', [
            'check' => 'look@vehicle',
            'word' => ['level' => 'bad', 'wet' => 'good', 'lamp' => 'good'],
        ]);
        // what was seen to be wrong is not looked right: it stands there without a check
        self::assertContains([1, ''], $gates());
        self::assertNotContains('Look at level, wet and lamps', array_column($gates(), 1));
    }

    /** Two quotes: the cheaper first, the dearer with what it costs more, what is not to be had last. */
    public function testQuotesStandBesideEachOther(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request('GET', "/jobs/$id/finding");
        $group = (string) $this->client->getCrawler()->filter('input[name=group]')->attr('value');
        $quote = ['group' => $group, 'days' => '2', 'months' => '24', 'core' => '', 'fits' => ''];
        $this->append($id, 'quote', ['from' => 'Harrow Parts', 'price' => ''] + $quote);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('A price is expected', $this->text());
        foreach (['Harrow Parts' => '145.50', 'Lindeck' => '120'] as $from => $price) {
            $this->append($id, 'quote', ['from' => $from, 'price' => $price] + $quote);
            self::assertResponseRedirects();
        }
        $this->append($id, 'quote', ['from' => 'Overmoor', 'price' => '', 'unobtainable' => '1'] + $quote);
        $this->client->request('GET', "/jobs/$id/finding?group=".rawurlencode($group));
        $rows = $this->client->getCrawler()->filter('.quotes tbody tr')->each(static fn ($row): string => $row->text());
        self::assertCount(3, $rows);
        self::assertStringContainsString('Lindeck', $rows[0]);
        self::assertMatchesRegularExpression('/Harrow Parts.*€146.*\+ €26/', $rows[1]);
        self::assertStringContainsString('Not to be had there', $rows[2]);
    }

    /** Assist that the model does not know is named and refused, and nothing that was typed is lost. */
    public function testAssistThatIsNotModelledIsRefused(): void
    {
        $this->signIn();
        $new = ['_token' => 'csrf-token', 'job' => Uuid::v7()->toRfc4122(), 'entry' => Uuid::v7()->toRfc4122()]
            + ['unit' => 'Unit 71, saw', 'split' => 'diagonal', 'rear' => 'disc', 'anti_lock' => 'yes']
            + ['what' => 'weak', 'where' => '', 'pattern' => '', 'note' => '', 'spent' => '85.50'];
        $not = ['steering-pump' => 'steering pump is not in the model', 'by-wire' => 'brake by wire']
            + ['compressed-air drum' => 'no drums and cams']
            + ['pump-and-accumulator drum' => 'built with ABS, discs'];
        foreach ($not as $brakes => $said) {
            [$assist, $rear] = [...explode(' ', $brakes), 'disc'];
            $this->client->request('POST', '/jobs/new', ['assist' => $assist, 'rear' => $rear] + $new);
            self::assertResponseStatusCodeSame(422);
            self::assertStringContainsString($said, $this->text('.wrong'));
            self::assertSelectorExists('input[name=spent][value="85.50"]');
        }
        $this->client->request('POST', '/jobs/new', ['assist' => 'engine-vacuum', 'spent' => 'much'] + $new);
        self::assertStringContainsString('An amount of money is expected', $this->text('.wrong'));
    }
}
