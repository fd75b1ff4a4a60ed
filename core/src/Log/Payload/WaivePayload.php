<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** A criterion of the proof waived by a lead, with a reason. */
final readonly class WaivePayload implements Payload
{
    public function __construct(public string $criterion, public string $reason)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Waive;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('criterion'), $shape->text('reason'));
    }

    public function write(): array
    {
        return ['criterion' => $this->criterion, 'reason' => $this->reason];
    }

    public static function schema(): array
    {
        return Schema::object(['criterion' => Schema::TEXT, 'reason' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if ('' === trim($this->reason)) {
            throw Refused::by('waive', ['reason-first']);
        }
        if (null === $door->proof()->criterion($this->criterion)) {
            throw InvalidData::at('/waive/criterion', 'the proof has no such criterion');
        }
    }
}
