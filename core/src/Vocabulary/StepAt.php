<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** A step of a repair sheet where it is made: `banjo@lf`; at a joint of the vehicle by that joint. */
final readonly class StepAt extends IdAt
{
    /** What is done, of a name with or without a place. */
    public static function done(string $name): string
    {
        return self::tryParse($name)->id ?? $name;
    }
}
