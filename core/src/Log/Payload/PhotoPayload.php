<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;

/** A photo taken at a check or a step. */
final readonly class PhotoPayload implements Payload
{
    public function __construct(public string $photo, public string $about)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Photo;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('photo'), $shape->text('about'));
    }

    public function write(): array
    {
        return ['photo' => $this->photo, 'about' => $this->about];
    }

    public static function schema(): array
    {
        return Schema::object(['photo' => Schema::TEXT, 'about' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        // nothing stands in its way
    }
}
