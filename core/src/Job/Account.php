<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Isolation\Labour;
use Rodrel\Core\Log\Payload\QuotePayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\SpentPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Repair\Repairs;

/** What a job was expected to cost and what it did. Money in minor units, time in minutes. */
final readonly class Account
{
    /** Between two lines of the log nobody worked on it any more (min; estimate; 20 to 60). */
    private const PAUSE_MIN = 45;
    private const MINUTE_S = 60;

    /**
     * @param array{expected: float, quoted: int, bought: int, core: int, goodwill: int} $cents expected: parts and
     *     labour of what was changed, by the price list; quoted: the cheapest offer for each part that was changed
     *     and asked for; bought: receipts, less what was sent back and cores handed in; core: still to come back with
     *     old parts; goodwill: paid by somebody else
     * @param array{expected: float, logged: int, corrected: int|null} $minutes by the price list; between the lines of
     *     the log, pauses left out; as somebody corrected them
     * @param list<SpentPayload> $lines as they were written down
     */
    private function __construct(public array $cents, public array $minutes, public array $lines)
    {
    }

    public static function of(Story $story, Repairs $repairs, Labour $labour): self
    {
        $changed = [];
        foreach ($story->entriesOf(RepairedPayload::class) as $entry) {
            foreach ($entry->payload->groups() as $group) {
                $changed[(string) $group] = $group;
            }
        }
        $quotes = [];
        foreach ($story->entriesOf(QuotePayload::class) as $entry) {
            $quote = $entry->payload;
            $key = (string) $quote->group;
            if ($quote->isToBeHad() && isset($changed[$key])) {
                $quotes[$key] = min($quotes[$key] ?? \PHP_INT_MAX, $quote->priceCents);
            }
        }
        $cents = $minutes = 0.0;
        $parts = $story->parts();
        foreach ($changed as $key => $group) {
            $price = $repairs->of($group)->price;
            $option = $repairs->of($group)->options[$parts[$key] ?? ''] ?? null;
            $cents += $option->cents['parts'] ?? $price->partsCents;
            $minutes += $price->minutes + ($option->extraMinutes ?? 0.0);
        }
        $lines = array_map(static fn ($entry): SpentPayload => $entry->payload, $story->entriesOf(SpentPayload::class));
        $sum = static fn (string $what): int => array_sum(array_map(
            static fn (SpentPayload $one): int => $one->what === $what ? $one->cents : 0,
            $lines,
        ));
        $corrected = null;
        foreach ($lines as $line) {
            $corrected = SpentPayload::MINUTES === $line->what ? $line->minutes : $corrected;
        }
        $back = $sum(SpentPayload::CORE_BACK);
        $cores = array_sum(array_map(static fn (SpentPayload $one): int => $one->coreCents, $lines));

        return new self(
            [
                'expected' => $cents + $minutes * $labour->rateCentsPerMinute,
                'quoted' => array_sum($quotes),
                'bought' => $sum(SpentPayload::BOUGHT) - $sum(SpentPayload::RETURNED) - $back,
                'core' => max(0, $cores - $back),
                'goodwill' => $sum(SpentPayload::GOODWILL),
            ],
            ['expected' => $minutes, 'logged' => self::logged($story), 'corrected' => $corrected],
            $lines,
        );
    }

    public function minutesTaken(): int
    {
        return $this->minutes['corrected'] ?? $this->minutes['logged'];
    }

    /** What it comes to: receipts and labour, less what somebody else pays. */
    public function spentCents(Labour $labour): float
    {
        return $this->cents['bought']
            + $this->minutesTaken() * $labour->rateCentsPerMinute
            - $this->cents['goodwill'];
    }

    private static function logged(Story $story): int
    {
        $seconds = 0;
        $before = null;
        foreach ($story->entries() as $entry) {
            $now = $entry->takenAt->getTimestamp();
            $gap = null === $before ? 0 : $now - $before;
            $seconds += $gap > 0 && $gap <= self::PAUSE_MIN * self::MINUTE_S ? $gap : 0;
            $before = $now;
        }

        return intdiv($seconds, self::MINUTE_S);
    }
}
