<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * Rows of a check that cannot be looked at or measured on this vehicle here: nothing is concluded from it, and nobody
 * asks for them again in this epoch. A gate that wants such a row stays shut.
 */
final readonly class CannotPayload implements Payload
{
    /** @param non-empty-list<string> $rows */
    public function __construct(public CheckAt $check, public array $rows, public string $reason = '')
    {
    }

    public static function kind(): Kind
    {
        return Kind::Cannot;
    }

    public static function read(Shape $shape): self
    {
        $check = CheckAt::tryParse($shape->text('check'));
        $rows = $shape->texts('rows');

        return new self(
            $check ?? throw $shape->wrong('check', 'a check at its place is expected, like spin@vehicle'),
            [] !== $rows ? $rows : throw $shape->wrong('rows', 'at least one row is expected'),
            $shape->text('reason', ''),
        );
    }

    public function write(): array
    {
        return ['check' => (string) $this->check, 'rows' => $this->rows, 'reason' => $this->reason];
    }

    public static function schema(): array
    {
        return Schema::object(
            ['check' => Schema::CHECK_AT, 'rows' => Schema::list(Schema::TEXT), 'reason' => Schema::TEXT],
            ['check', 'rows'],
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        $check = $door->catalogue()->checks->of($this->check);
        if (!$check->places->has($door->layout(), $this->check->place)) {
            throw InvalidData::at('/cannot/check', 'this vehicle has no such place');
        }
        foreach ($this->rows as $row) {
            if (null === $check->row($row)) {
                throw InvalidData::at('/cannot/rows', 'unknown row');
            }
        }
    }
}
