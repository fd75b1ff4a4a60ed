<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Two names of which both are meant: repairs that are both due, faults that are both there. */
final readonly class Pair
{
    private const AND = ' + ';

    /** In one order, however they are named. */
    public static function of(string $one, string $other): string
    {
        return $one === $other ? $one : implode(self::AND, $one < $other ? [$one, $other] : [$other, $one]);
    }

    /** @return non-empty-list<string> one, or both */
    public static function names(string $name): array
    {
        return explode(self::AND, $name);
    }

    public static function is(string $name): bool
    {
        return str_contains($name, self::AND);
    }
}
