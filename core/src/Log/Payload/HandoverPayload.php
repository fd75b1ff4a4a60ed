<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** The vehicle handed over. */
final readonly class HandoverPayload implements Payload
{
    public static function kind(): Kind
    {
        return Kind::Handover;
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
        if (!$door->proof()->passed()) {
            throw Refused::by('handover', ['proof-first']);
        }
        if (!$door->road()->isOpen()) {
            throw Refused::by('road', $door->road()->unmet);
        }
        if (!$door->mayHandOver()) {
            throw Refused::by('handover', ['safety-items']);
        }
    }
}
