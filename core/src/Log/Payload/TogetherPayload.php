<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\ApartAt;

/** What a check left apart is together again: the drum on, the caliper bolted, the relay in. */
final readonly class TogetherPayload implements Payload
{
    public function __construct(public ApartAt $what)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Together;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            ApartAt::tryParse($shape->text('what')) ?? throw $shape->wrong('what', 'drum@lr or the like is expected'),
        );
    }

    public function write(): array
    {
        return ['what' => (string) $this->what];
    }

    public static function schema(): array
    {
        return Schema::object(['what' => Schema::CHECK_AT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (!isset($door->situation()->car->apart[(string) $this->what])) {
            throw InvalidData::at('/together/what', 'that is not apart');
        }
    }
}
