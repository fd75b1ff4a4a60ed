<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Isolation\Labour;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/**
 * What a repair tends to drag along, said before the first bolt: one number with a range, so that parts are ordered
 * once. Money in minor units.
 */
final readonly class Scope
{
    /** The part whose price the pair already holds. */
    private const OTHER_SIDE = 'other-side';
    /** A look that showed it leaves little doubt, one that did not as well (estimate; 0.9 to 0.99). */
    private const SEEN = 0.95;
    private const NOT_SEEN = 0.05;
    /** Rarer than this an extra is not put into the upper end of the range. */
    private const WORTH_NAMING = 0.15;
    /** An axle done as a pair: the second side saves getting ready and bleeding (estimate; 0.6 to 0.9). */
    private const SECOND_SIDE_MINUTES = 0.7;

    /** @param list<array{part: string, chance: float, cents: float, seen: bool}> $extras */
    private function __construct(public float $baseCents, public array $extras)
    {
    }

    /**
     * @param list<Reading> $readings what was seen makes an extra certain, or its opposite unlikely
     * @param list<string> $always parts that the shop's school changes along with this one in any case
     */
    public static function of(
        Repair $repair,
        Place $place,
        array $readings,
        Labour $labour,
        bool $pair,
        array $always = [],
    ): self {
        $base = $repair->costCents($labour->rateCentsPerMinute, $labour->fluidCentsPerMl);
        $both = $pair && $repair->opening->pair;
        if ($both) {
            $price = $repair->price;
            $base
                += $price->partsCents
                + self::SECOND_SIDE_MINUTES * $price->minutes * $labour->rateCentsPerMinute
                + $price->fluidMl * $labour->fluidCentsPerMl;
        }
        $extras = [];
        foreach ($repair->scope as $extra) {
            if ($both && self::OTHER_SIDE === $extra->part) {
                continue;
            }
            $seen = self::seen($extra, $place, $readings);
            $chance = \in_array($extra->part, $always, true) ? 1.0 : $seen ?? $extra->chance;
            $cents = $extra->partsCents + $extra->minutes * $labour->rateCentsPerMinute;
            $extras[] = ['part' => $extra->part, 'chance' => $chance, 'cents' => $cents, 'seen' => null !== $seen];
        }
        usort($extras, static fn (array $a, array $b): int => $b['chance'] <=> $a['chance']);

        return new self($base, $extras);
    }

    public function expectedCents(): float
    {
        return $this->baseCents
            + array_sum(array_map(
                static fn (array $extra): float => $extra['chance'] * $extra['cents'],
                $this->extras,
            ));
    }

    public function lowCents(): float
    {
        return $this->baseCents
            + array_sum(
                array_map(
                    static fn (array $extra): float => $extra['chance'] >= 0.9 ? $extra['cents'] : 0.0,
                    $this->extras,
                ),
            );
    }

    public function highCents(): float
    {
        return $this->baseCents
            + array_sum(
                array_map(
                    static fn (array $extra): float => $extra['chance'] >= self::WORTH_NAMING ? $extra['cents'] : 0.0,
                    $this->extras,
                ),
            );
    }

    /**
     * 0.95 where it was seen, 0.05 where the look showed the opposite, null where nobody looked.
     *
     * @param list<Reading> $readings
     */
    private static function seen(Extra $extra, Place $place, array $readings): ?float
    {
        $sign = $extra->seen;
        if (null === $sign) {
            return null;
        }
        foreach ($readings as $reading) {
            $here = $reading->check->is(CheckAt::of($sign['check'], $place));
            if ($here && isset($reading->outcomes[$sign['row']])) {
                return $reading->outcomes[$sign['row']] === $sign['word'] ? self::SEEN : self::NOT_SEEN;
            }
        }

        return null;
    }
}
