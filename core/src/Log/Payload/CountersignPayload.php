<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** A lead stands for what came in from elsewhere: a signature, a waiver, an override, a handover. Names its entry. */
final readonly class CountersignPayload implements Payload
{
    public function __construct(public string $entry)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Countersign;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('entry'));
    }

    public function write(): array
    {
        return ['entry' => $this->entry];
    }

    public static function schema(): array
    {
        return Schema::object(['entry' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (!$door->story()->isAsleep($this->entry)) {
            throw Refused::by('countersign', ['nothing-to-countersign']);
        }
    }
}
