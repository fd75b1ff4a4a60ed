<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** The bleed run is finished. */
final readonly class BledPayload implements Payload
{
    public static function kind(): Kind
    {
        return Kind::Bled;
    }

    public static function read(Shape $shape): self
    {
        return new self();
    }

    public function write(): array
    {
        return [];
    }

    public static function schema(): array
    {
        return Schema::object([]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (null === $door->repaired()) {
            throw Refused::by('bleed', ['repair-first']);
        }
    }
}
