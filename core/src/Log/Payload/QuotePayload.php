<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;

/** What somebody would sell the part of a repair for, or that it is not to be had there. Money in minor units. */
final readonly class QuotePayload implements Payload
{
    /**
     * @param string $from who was asked
     * @param string $fits what else it fits, as they said
     * @param int $priceCents with the core charge in it; nought where it is not to be had
     * @param int $coreCents of it what comes back with the old part
     */
    public function __construct(
        public GroupAt $group,
        public string $from,
        public int $priceCents,
        public int $coreCents,
        public int $days,
        public int $warrantyMonths,
        public string $fits = '',
    ) {
    }

    public function isToBeHad(): bool
    {
        return $this->priceCents > 0;
    }

    public static function kind(): Kind
    {
        return Kind::Quote;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            GroupAt::tryParse($shape->text('group'))
                ?? throw $shape->wrong('group', 'a repair at its place is expected, like hose@lf'),
            $shape->text('from'),
            (int) $shape->notNegative('price_cents'),
            (int) $shape->notNegative('core_cents', 0.0),
            (int) $shape->notNegative('days', 0.0),
            (int) $shape->notNegative('warranty_months', 0.0),
            $shape->text('fits', ''),
        );
    }

    public function write(): array
    {
        return [
            'group' => (string) $this->group,
            'from' => $this->from,
            'price_cents' => $this->priceCents,
            'core_cents' => $this->coreCents,
            'days' => $this->days,
            'warranty_months' => $this->warrantyMonths,
            'fits' => $this->fits,
        ];
    }

    public static function schema(): array
    {
        return Schema::object([
            'group' => Schema::GROUP_AT,
            'from' => Schema::TEXT,
            'price_cents' => Schema::COUNT,
            'core_cents' => Schema::COUNT,
            'days' => Schema::COUNT,
            'warranty_months' => Schema::COUNT,
            'fits' => Schema::TEXT,
        ]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (!isset($door->catalogue()->repairs->all[$this->group->id])) {
            throw InvalidData::at('/quote/group', \sprintf('there is no repair "%s"', $this->group->id));
        }
    }
}
