<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Job;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Labour;
use Rodrel\Core\Job\Account;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Shape;
use Rodrel\Core\Tests\World;

/** What a job was to cost and what it did. */
final class AccountTest extends TestCase
{
    /**
     * A caliper of 115.00 and 60 min with its hose of 28.00 and 35 min, at 1.00 a minute: 143.00 + 95.00. A receipt of
     * 190.00, of it 45.00 core; 28.00 sent back, the core handed in: 117.00 of parts stay. Ten minutes, then an hour's
     * pause, then twenty: half an hour, corrected to 100 min. 20.00 of goodwill: 117 + 100 − 20.
     */
    public function testQuotedAndSpent(): void
    {
        $log = [
            [0, Kind::Quote, self::quote('caliper@lf', 14_000)],
            [10, Kind::Quote, self::quote('caliper@lf', 12_500)],
            [70, Kind::Quote, self::quote('master@vehicle', 9000)],
            [90, Kind::Repaired, ['group' => 'caliper@lf', 'sheet' => 'f', 'also' => ['hose@lf']]],
            [90, Kind::Spent, ['what' => 'bought', 'text' => 'no. 7', 'cents' => 19_000, 'core_cents' => 4500]],
        ];
        $open = self::account($log);
        self::assertSame(12_500, $open->cents['quoted'], 'the cheapest of what was changed');
        self::assertSame(4500, $open->cents['core']);
        self::assertSame(30, $open->minutes['logged']);
        self::assertEqualsWithDelta(14_300.0 + 9500.0, $open->cents['expected'], 1e-9);
        self::assertEqualsWithDelta(19_000.0 + 3000.0, $open->spentCents(self::labour()), 1e-9);

        $done = self::account([
            ...$log,
            [90, Kind::Spent, ['what' => 'returned', 'text' => 'second hose', 'cents' => 2800]],
            [90, Kind::Spent, ['what' => 'core-back', 'text' => 'old caliper', 'cents' => 4500]],
            [90, Kind::Spent, ['what' => 'goodwill', 'text' => 'bulletin 12, said at the counter', 'cents' => 2000]],
            [90, Kind::Spent, ['what' => 'minutes', 'text' => '', 'minutes' => 100]],
        ]);
        self::assertSame(0, $done->cents['core']);
        self::assertSame(11_700, $done->cents['bought']);
        self::assertEqualsWithDelta(11_700.0 + 10_000.0 - 2000.0, $done->spentCents(self::labour()), 1e-9);
    }

    /** @param list<array{int, Kind, array<string, mixed>}> $log minute, kind, payload */
    private static function account(array $log): Account
    {
        $entries = [];
        foreach ($log as $n => [$minute, $kind, $payload]) {
            $at = (new \DateTimeImmutable('2026-03-02 08:00:00'))->modify("+$minute minutes");
            $entries[] = new Entry("e$n", $n + 1, $kind->read($payload), 'ann', $at);
        }

        return Account::of(Story::of($entries), World::catalogue()->repairs, self::labour());
    }

    private static function labour(): Labour
    {
        return Labour::fromShape(new Shape(['rate_cents_per_hour' => 6000.0, 'fluid_cents_per_litre' => 0.0]));
    }

    /** @return array<string, mixed> */
    private static function quote(string $group, int $cents): array
    {
        return ['group' => $group, 'from' => 'the counter', 'price_cents' => $cents];
    }
}
