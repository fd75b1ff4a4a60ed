<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;

/** The sheets on which figures make the words of a check. Lengths in mm. */
enum Measuring: string
{
    case PadWear = 'pad-wear';
    case Limit = 'wear-limit';
    case Round = 'round';
    case Across = 'across';
    case Shoe = 'shoe';
    /** Presses counted after the engine stopped, and the accumulator's figures: numbers, bar and mL, not mm. */
    case Stored = 'stored';

    /** Two widths of a drum further apart are felt (mm; estimate; plausible 0.1 to 0.3). */
    public const OVAL_MM = 0.15;
    /** Lining over its plate, or over the rivets, that a shoe must keep (mm; typical, the vehicle's own first). */
    public const LEAST_SHOE_MM = 1.5;

    /** Less than this share of the presses wanted is hardly any. */
    private const HALF = 0.5;
    private const NO_SHOE_MM = 100.0;

    /** @return list<string> its figures, in the order in which they are taken */
    public function fields(): array
    {
        return match ($this) {
            self::PadWear => ['inner_a', 'inner_b', 'outer_a', 'outer_b'],
            self::Limit => ['measured', 'limit'],
            self::Round => [...self::row('t'), ...self::row('f'), ...self::row('u')],
            self::Across => ['width_a', 'width_b'],
            self::Shoe => ['leading', 'trailing'],
            self::Stored => ['counted', 'wanted', 'gas', 'volume', 'full', 'lamp', 'each'],
        };
    }

    /** @return array{Quantity, Unit}|null what a figure is and how it is typed; null: a number without a unit */
    public function measures(string $field): ?array
    {
        return self::Stored !== $this ? [Quantity::Length, Unit::Millimetre] : match ($field) {
            'counted', 'wanted' => null,
            'gas', 'full', 'lamp' => [Quantity::Pressure, Unit::Bar],
            default => [Quantity::Volume, Unit::Millilitre],
        };
    }

    /** Whether a figure may stay open. */
    public function mayMiss(string $field): bool
    {
        return match ($this) {
            self::Round => !str_starts_with($field, 't'),
            self::Stored => !\in_array($field, ['counted', 'wanted'], true),
            default => false,
        };
    }

    /**
     * @param array<string, float> $mm by field
     * @param bool $drum of a limit: a drum, not a rotor
     *
     * @return array<string, string> word by row of the check
     */
    public function words(array $mm, bool $drum = false): array
    {
        $of = static fn (string $letter): array => array_values(array_filter(
            array_map(static fn (string $field): ?float => $mm[$field] ?? null, self::row($letter)),
            static fn (?float $one): bool => null !== $one,
        ));

        return match ($this) {
            self::PadWear => ['' => PadWear::of(...$this->inOrder($mm))->word],
            self::Limit => ['' => self::limit($mm, $drum)->word],
            self::Round => [] === $of('t')
                ? []
                : RotorRound::of(
                    $of('t'),
                    self::whole($of('f')),
                    self::whole($of('u')),
                    (int) ($mm['bolts'] ?? 5.0),
                )->words(),
            self::Across => ['' => abs($mm['width_a'] - $mm['width_b']) > self::OVAL_MM ? 'oval' : 'round'],
            self::Stored => ['' => match (true) {
                $mm['counted'] >= $mm['wanted'] => 'as-many',
                $mm['counted'] >= self::HALF * $mm['wanted'] => 'fewer',
                default => 'hardly-any',
            }],
            self::Shoe => [
                'left' => min([self::NO_SHOE_MM, ...$this->inOrder($mm)]) <= self::LEAST_SHOE_MM
                    ? 'at-limit' : 'enough',
            ],
        };
    }

    /** @param array<string, float> $mm */
    public static function limit(array $mm, bool $drum): WearLimit
    {
        return $drum
            ? WearLimit::ofDrum($mm['measured'], $mm['limit'])
            : WearLimit::ofRotor($mm['measured'], $mm['limit']);
    }

    /**
     * @param array<string, float> $mm
     *
     * @return list<float>
     */
    private function inOrder(array $mm): array
    {
        return array_map(static fn (string $field): float => $mm[$field], $this->fields());
    }

    /**
     * A round that was not gone through whole says nothing.
     *
     * @param list<float> $values
     *
     * @return list<float>
     */
    private static function whole(array $values): array
    {
        return RotorRound::PLACES === \count($values) ? $values : [];
    }

    /** @return list<string> */
    private static function row(string $letter): array
    {
        return array_map(static fn (int $n): string => $letter.$n, range(1, RotorRound::PLACES));
    }
}
