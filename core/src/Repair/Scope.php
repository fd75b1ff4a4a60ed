<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Isolation\Reading;

/**
 * What a repair tends to drag along, said before the first bolt: one number with a range, so that parts are ordered
 * once. Money in minor units.
 */
final readonly class Scope
{
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
     * @param list<string>  $always   parts that the shop's school changes along with this one in any case
     */
    public static function of(Repair $repair, string $place, array $readings, float $rateCentsPerMinute, float $fluidCentsPerMl, bool $pair, array $always = []): self
    {
        $base = $repair->costCents($rateCentsPerMinute, $fluidCentsPerMl);
        if ($pair && $repair->pair) {
            $base += $repair->partsCents + self::SECOND_SIDE_MINUTES * $repair->minutes * $rateCentsPerMinute + $repair->fluidMl * $fluidCentsPerMl;
        }
        $extras = [];
        foreach ($repair->scope as $extra) {
            if ($pair && $repair->pair && 'other-side' === $extra['part']) {
                continue;
            }
            $seen = self::seen($extra['seen'], $place, $readings);
            $chance = \in_array($extra['part'], $always, true) ? 1.0 : $seen ?? $extra['chance'];
            $extras[] = ['part' => $extra['part'], 'chance' => $chance, 'cents' => $extra['parts_cents'] + $extra['minutes'] * $rateCentsPerMinute, 'seen' => null !== $seen];
        }
        usort($extras, static fn (array $a, array $b): int => $b['chance'] <=> $a['chance']);

        return new self($base, $extras);
    }

    public function expectedCents(): float
    {
        return $this->baseCents + array_sum(array_map(static fn (array $extra): float => $extra['chance'] * $extra['cents'], $this->extras));
    }

    public function lowCents(): float
    {
        return $this->baseCents + array_sum(array_map(static fn (array $extra): float => $extra['chance'] >= 0.9 ? $extra['cents'] : 0.0, $this->extras));
    }

    public function highCents(): float
    {
        return $this->baseCents + array_sum(array_map(static fn (array $extra): float => $extra['chance'] >= self::WORTH_NAMING ? $extra['cents'] : 0.0, $this->extras));
    }

    /**
     * 0.95 where it was seen, 0.05 where the look showed the opposite, null where nobody looked.
     *
     * @param array{check: string, row: string, word: string}|null $sign
     * @param list<Reading>                                        $readings
     */
    private static function seen(?array $sign, string $place, array $readings): ?float
    {
        foreach ($readings as $reading) {
            if (null !== $sign && $sign['check'].'@'.$place === $reading->check && isset($reading->outcomes[$sign['row']])) {
                return $reading->outcomes[$sign['row']] === $sign['word'] ? 0.95 : 0.05;
            }
        }

        return null;
    }
}
