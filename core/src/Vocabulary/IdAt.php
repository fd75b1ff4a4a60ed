<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

use Rodrel\Core\InvalidData;

/** What every `id@place` has in common: read once at the border, printed the same way. */
abstract readonly class IdAt implements \Stringable
{
    final public function __construct(public string $id, public Place $place)
    {
    }

    /** @throws InvalidData when it is not an id and a place */
    final public static function parse(string $text): static
    {
        $parts = explode('@', $text);
        if (2 !== \count($parts) || 1 !== preg_match('/^[a-z]+([.-][a-z]+)*$/', $parts[0])) {
            throw InvalidData::at('', \sprintf('"%s" is not an id at a place, like hose@lf', mb_substr($text, 0, 60)));
        }

        return new static($parts[0], Place::of($parts[1]));
    }

    /**
     * An id at a place; the id alone is the whole vehicle's.
     *
     * @throws InvalidData when it is neither
     */
    final public static function anywhere(string $text): static
    {
        return str_contains($text, '@') ? static::parse($text) : static::parse($text.'@vehicle');
    }

    /** Whether a text names a place beside the id. */
    final public static function isPlaced(string $text): bool
    {
        return str_contains($text, '@');
    }

    /** Null where it cannot be read. */
    final public static function tryParse(string $text): ?static
    {
        try {
            return static::parse($text);
        } catch (InvalidData) {
            return null;
        }
    }

    final public static function of(string $id, string|Place|Corner $place): static
    {
        return new static($id, match (true) {
            $place instanceof Place => $place,
            $place instanceof Corner => Place::at($place),
            default => Place::of($place),
        });
    }

    /** @param self|string $other an id at a place, or its text */
    final public function is(self|string $other): bool
    {
        return (string) $this === (string) $other;
    }

    final public function __toString(): string
    {
        return $this->id.'@'.$this->place->id;
    }
}
