<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use Symfony\Component\Uid\Uuid;

/** A round on one sheet is one entry: kept as one, refused as one, taken back as one. */
final class RoundTest extends ShopTestCase
{
    private const LOOK = ['word' => ['level' => 'primary', 'wet' => 'good', 'lamp' => 'good']];

    /** A figure that nobody can read refuses all of it by name, and everything comes back as it was typed. */
    public function testAWrongFigureRefusesTheRoundByNameAndNothingIsLost(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->client->request('GET', "/jobs/$id/first-look");
        self::assertStringContainsString('Look at level, wet and lamps', $this->text('.round-stops'));
        $pedal = ['number' => ['travel' => 'sixty'], 'word' => ['feel' => 'firm']];
        $this->append($id, 'round', ['round' => 'first', 'sheet' => [
            'look@vehicle' => self::LOOK,
            'pedal@vehicle' => $pedal,
        ]]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('Hold the pedal firm', $this->text('.plate'));
        self::assertSelectorExists('input[value=sixty]');
        self::assertSelectorExists('input[value=primary]');
        self::assertSame(['intake'], $this->kinds($id), 'a round stands or falls as one');

        $pedal['number'] = ['travel' => '67'];
        $this->append($id, 'round', ['round' => 'first', 'sheet' => [
            'look@vehicle' => self::LOOK,
            'pedal@vehicle' => $pedal,
        ]]);
        self::assertSame(['intake', 'round'], $this->kinds($id));
        $this->client->request('GET', "/jobs/$id/fluid");
        self::assertStringContainsString('Low: find where it went', $this->text('h1'));
    }

    /** One tap answers what is left, but never a level, a wet place or a lamp; undo takes all of it back. */
    public function testOneTapAnswersTheRestAndOneUndoTakesItBack(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $sheet = $this->client->request('GET', "/jobs/$id/first-look");
        $good = static fn (string $row): string => "input[type=hidden][name='sheet[$row']";
        self::assertCount(0, $sheet->filter($good('look@vehicle][good][level]')), 'nobody covers a level');
        self::assertCount(0, $sheet->filter($good('look@vehicle][good][wet]')));
        self::assertCount(1, $sheet->filter($good('pedal@vehicle][good][feel]')));
        $entry = Uuid::v7()->toRfc4122();
        $this->append($id, 'round', [
            'round' => 'first',
            'covered' => '1',
            'sheet' => [
                'look@vehicle' => ['word' => ['level' => 'good'], 'shown' => ['level' => '1', 'wet' => '1']],
                'pedal@vehicle' => ['shown' => ['feel' => '1'], 'good' => ['feel' => 'firm']],
            ],
        ], $entry);
        $this->client->request('GET', "/jobs/$id/bench");
        $trail = $this->text('.trail');
        self::assertStringContainsString('Firm', $trail);
        self::assertStringContainsString('Undo: First look', $trail);
        $this->client->request('GET', "/jobs/$id/report");
        self::assertStringContainsString('one row nothing odd; one row not read', $this->text('main'));

        $this->append($id, 'undo', ['cancels' => $entry]);
        $this->client->request('GET', "/jobs/$id/bench");
        self::assertStringNotContainsString('Firm', $this->text('.trail'));
    }

    /** What is closed for one of its checks closes all of it, and says for which. */
    public function testAClosedGateRefusesTheRoundByName(): void
    {
        $this->signIn();
        $id = $this->freshJob();
        $this->append($id, 'round', ['round' => 'road', 'sheet' => [
            'pull@vehicle' => ['word' => ['first' => 'straight', 'whole' => 'straight']],
        ]]);
        self::assertResponseStatusCodeSame(422);
        self::assertSame('Moderate stops, hands light on the wheel:', $this->text('.plate li'));
        self::assertSame(['intake'], $this->kinds($id));
    }
}
