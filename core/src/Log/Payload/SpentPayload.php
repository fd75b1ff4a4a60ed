<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;

/** What a job really cost: a receipt, an old part handed in, one sent back, the minutes it took, who pays besides. */
final readonly class SpentPayload implements Payload
{
    public const BOUGHT = 'bought';
    public const CORE_BACK = 'core-back';
    public const RETURNED = 'returned';
    public const MINUTES = 'minutes';
    public const GOODWILL = 'goodwill';
    public const WHATS = [self::BOUGHT, self::CORE_BACK, self::RETURNED, self::MINUTES, self::GOODWILL];

    /**
     * @param string $what one of WHATS
     * @param string $text what it is: the part, the receipt's number; of goodwill the bulletin and who said so
     * @param int $cents minor units; of goodwill what they pay
     * @param int $coreCents of a receipt, what comes back with the old part
     * @param int $minutes that the job took, corrected by hand; the last word counts
     * @param string $day of the receipt or the return; '' for none
     */
    public function __construct(
        public string $what,
        public string $text,
        public int $cents = 0,
        public int $coreCents = 0,
        public int $minutes = 0,
        public string $day = '',
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Spent;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            $shape->choice('what', self::WHATS),
            trim($shape->text('text', '')),
            (int) $shape->notNegative('cents', 0.0),
            (int) $shape->notNegative('core_cents', 0.0),
            (int) $shape->notNegative('minutes', 0.0),
            $shape->text('day', ''),
        );
    }

    public function write(): array
    {
        return ['what' => $this->what, 'text' => $this->text] + array_filter([
            'cents' => $this->cents,
            'core_cents' => $this->coreCents,
            'minutes' => $this->minutes,
            'day' => $this->day,
        ], static fn (int|string $said): bool => 0 !== $said && '' !== $said);
    }

    public static function schema(): array
    {
        return Schema::object([
            'what' => Schema::words(self::WHATS),
            'text' => Schema::TEXT,
            'cents' => Schema::COUNT,
            'core_cents' => Schema::COUNT,
            'minutes' => Schema::COUNT,
            'day' => Schema::TEXT,
        ], ['what', 'text']);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (self::MINUTES === $this->what) {
            $this->minutes > 0 || throw InvalidData::at('/spent/minutes', 'minutes above zero are expected');
        } elseif ('' === $this->text) {
            throw InvalidData::at('/spent/text', 'what it is, or who said so, is expected');
        }
        if ($this->coreCents > $this->cents) {
            throw InvalidData::at('/spent/core_cents', 'the core charge is a part of the price');
        }
    }
}
