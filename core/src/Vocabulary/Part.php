<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

use Rodrel\Core\InvalidData;

/** A part by its id, as the list of parts in the catalogue names it: `caliper`. */
final readonly class Part implements \Stringable
{
    private function __construct(public string $id)
    {
    }

    /** @throws InvalidData when the id is not a word in kebab-case */
    public static function of(string $id): self
    {
        return 1 === preg_match('/^[a-z]+(-[a-z]+)*$/', $id)
            ? new self($id)
            : throw InvalidData::at('/part', \sprintf('"%s" is not a part', mb_substr($id, 0, 40)));
    }

    public function at(Place $place): PartAt
    {
        return PartAt::of($this->id, $place);
    }

    public function __toString(): string
    {
        return $this->id;
    }
}
