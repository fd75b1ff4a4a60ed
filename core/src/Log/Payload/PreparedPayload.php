<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;

/** A thing laid ready before opening. */
final readonly class PreparedPayload implements Payload
{
    public function __construct(public string $item)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Prepared;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('item'));
    }

    public function write(): array
    {
        return ['item' => $this->item];
    }

    public static function schema(): array
    {
        return Schema::object(['item' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        // nothing stands in its way
    }
}
