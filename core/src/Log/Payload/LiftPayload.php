<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Lift;

/** The vehicle raised, lowered, its wheels taken off; and whether its stands are confirmed. */
final readonly class LiftPayload implements Payload
{
    public function __construct(public Lift $to, public bool $stands)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Lift;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->oneOf('to', Lift::class), $shape->flag('stands'));
    }

    public function write(): array
    {
        return ['to' => $this->to->value, 'stands' => $this->stands];
    }

    public static function schema(): array
    {
        return Schema::object(['to' => Schema::words(['ground', 'raised', 'wheels-off']), 'stands' => Schema::FLAG]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (Lift::Any === $this->to) {
            throw InvalidData::at('/lift/to', 'ground, raised or wheels-off is expected');
        }
    }
}
