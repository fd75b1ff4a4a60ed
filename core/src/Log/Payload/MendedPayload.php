<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** The vehicle of a job was put down wrongly: what it is called and which brakes it has, before and now. */
final readonly class MendedPayload implements Payload
{
    /** @param bool $brakes whether the brakes are others now: what was read of the wrong ones says nothing of them */
    public function __construct(public string $was, public string $unit, public string $preset, public bool $brakes)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Mended;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('was'), $shape->text('unit'), $shape->text('preset'), $shape->flag('brakes'));
    }

    public function write(): array
    {
        return ['was' => $this->was, 'unit' => $this->unit, 'preset' => $this->preset, 'brakes' => $this->brakes];
    }

    public static function schema(): array
    {
        return Schema::object([
            'was' => Schema::TEXT,
            'unit' => Schema::TEXT,
            'preset' => Schema::TEXT,
            'brakes' => Schema::FLAG,
        ]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        $read = [] !== $door->story()->entriesOf(ReadingPayload::class) || null !== $door->repairGroup();
        if ($this->brakes && $read) {
            throw Refused::by('mend', ['mend-read']);
        }
    }
}
