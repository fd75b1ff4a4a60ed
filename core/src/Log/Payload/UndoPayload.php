<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** Takes an earlier entry back; another undo too. */
final readonly class UndoPayload implements Payload
{
    /** @param string $reason of reopening what was finished; '' where none was asked for */
    public function __construct(public string $cancels, public string $reason = '')
    {
    }

    public static function kind(): Kind
    {
        return Kind::Undo;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('cancels'), $shape->text('reason', ''));
    }

    public function write(): array
    {
        return ['cancels' => $this->cancels] + ('' === $this->reason ? [] : ['reason' => $this->reason]);
    }

    public static function schema(): array
    {
        return Schema::object(['cancels' => Schema::TEXT, 'reason' => Schema::TEXT], ['cancels']);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (!$door->story()->stands($this->cancels)) {
            throw Refused::by('undo', ['nothing-to-undo']);
        }
        if ($door->story()->entry($this->cancels)?->payload instanceof MendedPayload) {
            throw Refused::by('undo', ['mend-again']);
        }
    }
}
