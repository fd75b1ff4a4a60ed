<?php

declare(strict_types=1);

namespace Rodrel\Core\Quantity;

/** A number as it was typed, with the unit it was meant in and its value in core units. */
final readonly class Measured
{
    /** A number as it is typed, thousands by spaces, point or comma, and what stands behind it. */
    private const TYPED = '/^\s*([+-]?[0-9][0-9 \x{00A0}]*(?:[.,][0-9]+)?|[+-]?[.,][0-9]+)\s*(.*?)\s*$/u';

    /** "2 5/8", "5/16", "2-5/8": as rules and drills in inches are marked. */
    private const FRACTION = '/^\s*(?:([0-9]+)[ \x{00A0}-]+)?([0-9]{1,3})\s*\/\s*([1-9][0-9]{0,2})\s*(.*?)\s*$/u';
    private const GLYPHS = ['½' => ' 1/2', '¼' => ' 1/4', '¾' => ' 3/4', '⅛' => ' 1/8', '⅜' => ' 3/8', '⅝' => ' 5/8',
        '⅞' => ' 7/8'];

    private function __construct(
        public Quantity $quantity,
        public string $typed,
        public Unit $unit,
        public float $core,
    ) {
    }

    public static function of(Unit $unit, float $value): self
    {
        return self::checked($unit->quantity(), self::plain($value).' '.$unit->value, $unit, $value);
    }

    /**
     * Reads "1.2 bar", "180 F", "26 lbft", "1 200,5", "2 5/8 in". A bare number takes the unit given.
     *
     * @throws InvalidMeasure with a sentence that says what may be typed
     */
    public static function parse(Quantity $quantity, string $typed, Unit $bare): self
    {
        if (1 === preg_match(self::FRACTION, strtr($typed, self::GLYPHS), $found)) {
            $value = (float) $found[1] + (float) $found[2] / (float) $found[3];
            $unit = '' === $found[4] ? $bare : self::unit($quantity, $found[4]);

            return self::checked($quantity, trim($typed), $unit, $value);
        }
        if (1 !== preg_match(self::TYPED, $typed, $found) || str_starts_with($found[2], '/')) {
            throw InvalidMeasure::notANumber($typed, $quantity);
        }
        $value = (float) str_replace(',', '.', (string) preg_replace('/[\s\x{00A0}]/u', '', $found[1]));
        $unit = '' === $found[2] ? $bare : self::unit($quantity, $found[2]);

        return self::checked($quantity, trim($typed), $unit, $value);
    }

    public function in(Unit $unit): float
    {
        return $unit->fromCore($this->core);
    }

    private static function unit(Quantity $quantity, string $symbol): Unit
    {
        $key = (string) preg_replace('/[\s.·*-]/u', '', mb_strtolower($symbol));
        foreach (Unit::cases() as $unit) {
            if ($unit->quantity() === $quantity && \in_array($key, $unit->spellings(), true)) {
                return $unit;
            }
        }
        throw InvalidMeasure::unknownUnit($symbol, $quantity);
    }

    private static function checked(Quantity $quantity, string $typed, Unit $unit, float $value): self
    {
        $core = $unit->toCore($value);
        if (!is_finite($core) || $core < $quantity->floor() - 1e-9) {
            throw InvalidMeasure::impossible($typed, $quantity);
        }

        return new self($quantity, $typed, $unit, $core);
    }

    private static function plain(float $value): string
    {
        return rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.');
    }
}
