<?php

declare(strict_types=1);

namespace Rodrel\Core\Quantity;

use Rodrel\Core\CoreException;

/** A typed number that cannot be read; `key` and `parameters` name the translated sentence. */
final class InvalidMeasure extends \InvalidArgumentException implements CoreException
{
    /** @param array<string, string> $parameters */
    private function __construct(public readonly string $key, public readonly array $parameters)
    {
        parent::__construct($key.' '.implode(' ', $parameters));
    }

    public static function notANumber(string $typed, Quantity $quantity): self
    {
        return new self('measure.not-a-number', [
            'typed' => mb_substr($typed, 0, 40),
            'units' => self::units($quantity),
        ]);
    }

    public static function unknownUnit(string $symbol, Quantity $quantity): self
    {
        return new self('measure.unknown-unit', [
            'typed' => mb_substr($symbol, 0, 40),
            'units' => self::units($quantity),
        ]);
    }

    public static function impossible(string $typed, Quantity $quantity): self
    {
        return new self('measure.impossible', ['typed' => mb_substr($typed, 0, 40), 'units' => self::units($quantity)]);
    }

    private static function units(Quantity $quantity): string
    {
        $units = array_filter(Unit::cases(), static fn (Unit $unit): bool => $unit->quantity() === $quantity);

        return implode(', ', array_map(static fn (Unit $unit): string => $unit->value, $units));
    }
}
