<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** What one kind of line in a job's log says: read from and written to JSON, with the rule that lets it in. */
interface Payload
{
    public static function kind(): Kind;

    /**
     * Reads this format and every older one.
     *
     * @throws InvalidData with the JSON pointer of what is wrong
     */
    public static function read(Shape $shape): self;

    /** @return array<string, mixed> in the newest format */
    public function write(): array;

    /** @return array<string, mixed> JSON Schema of what write() gives */
    public static function schema(): array;

    /**
     * Whether it may be written now: the same rule before form, JSON, import and demo.
     *
     * @param Entry $entry the line that it is to become
     *
     * @throws Refused with what to do first
     * @throws InvalidData when it names what does not exist
     */
    public function rule(Door $door, Entry $entry): void;
}
