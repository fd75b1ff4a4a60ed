<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Shape;

/** A hold point looked at a second time; names the entry of its step. */
final readonly class ConfirmPayload implements Payload
{
    public function __construct(public string $step)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Confirm;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('step'));
    }

    public function write(): array
    {
        return ['step' => $this->step];
    }

    public static function schema(): array
    {
        return Schema::object(['step' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        $done = null;
        foreach ($door->story()->entriesOf(StepPayload::class) as $step) {
            $done = $step->id === $this->step ? $step : $done;
        }
        if (null === $done) {
            throw Refused::by('hold-point', ['step-first']);
        }
        $waited = $entry->takenAt->getTimestamp() - $done->takenAt->getTimestamp();
        if ($done->author === $entry->author && $waited < Rule::SECOND_LOOK_S) {
            throw Refused::by('hold-point', ['second-look-later']);
        }
    }
}
