<?php

declare(strict_types=1);

namespace App\Input;

/**
 * Whether two decoded JSON documents say the same: texts letter by letter, numbers by their value (the database writes
 * 2.0 as 2), keys in any order.
 */
final readonly class SameContent
{
    public static function is(mixed $one, mixed $other): bool
    {
        if (\is_array($one) && \is_array($other)) {
            if (\count($one) !== \count($other)) {
                return false;
            }
            foreach ($one as $key => $value) {
                if (!\array_key_exists($key, $other) || !self::is($value, $other[$key])) {
                    return false;
                }
            }

            return true;
        }
        $number = static fn (mixed $value): bool => \is_int($value) || \is_float($value);

        return $number($one) && $number($other) ? (float) $one === (float) $other : $one === $other;
    }
}
