<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** A gate overridden by a lead, with a reason. */
final readonly class OverridePayload implements Payload
{
    public function __construct(public string $gate, public string $reason)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Override;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('gate'), $shape->text('reason'));
    }

    public function write(): array
    {
        return ['gate' => $this->gate, 'reason' => $this->reason];
    }

    public static function schema(): array
    {
        return Schema::object(['gate' => Schema::TEXT, 'reason' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if ('' === trim($this->reason)) {
            throw Refused::by('override', ['reason-first']);
        }
        $rule = $door->catalogue()->gates->rules[$this->gate] ?? null;
        if (true !== $rule?->overridable) {
            throw InvalidData::at('/override/gate', 'there is no gate of that name that may be overridden');
        }
    }
}
