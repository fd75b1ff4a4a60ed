<?php

declare(strict_types=1);

namespace App\Account;

/** What a PIN must be: digits, long enough for what its owner may decide, and none that everybody tries first. */
final readonly class Pin
{
    public const WRONG_CLOSES = 5;
    private const LEAST = ['technician' => 4, 'lead' => 6, 'admin' => 6];
    private const MOST = 12;

    /** @return string|null key of the sentence that says what is wrong with it; null where nothing is */
    public static function wrong(string $pin, Role $role): ?string
    {
        if (1 !== preg_match('/^\d{4,'.self::MOST.'}$/', $pin)) {
            return 'hand-over.short';
        }
        if (\strlen($pin) < self::least($role)) {
            return 'hand-over.short-lead';
        }

        return self::isTrivial($pin) ? 'hand-over.trivial' : null;
    }

    public static function least(Role $role): int
    {
        return self::LEAST[$role->value];
    }

    /** One digit over and over, a run up or down, a pair or a half said again, a year. */
    private static function isTrivial(string $pin): bool
    {
        $steps = [];
        for ($n = 1; $n < \strlen($pin); ++$n) {
            $steps[] = ((int) $pin[$n] - (int) $pin[$n - 1] + 10) % 10;
        }
        $half = intdiv(\strlen($pin), 2);
        $run = 1 === \count(array_unique($steps)) && \in_array($steps[0], [0, 1, 9], true);
        $again = str_repeat(substr($pin, 0, 2), $half) === $pin || substr($pin, 0, $half) === substr($pin, $half);

        return $run || $again || 1 === preg_match('/^(19|20)\d\d$/', $pin);
    }
}
