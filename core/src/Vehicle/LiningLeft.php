<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

/** How far a lining still goes: the wear between measurements of this vehicle, or since it was new. */
final readonly class LiningLeft
{
    /** More than a gauge's error (mm; estimate). */
    private const THICKER_MM = 0.5;
    /** Less driven than this says nothing of the pace (km; estimate). */
    private const LEAST_KM = 500;

    private function __construct(public float $leftMm, public ?float $mmPer1000Km, public ?int $km)
    {
    }

    /**
     * @param non-empty-list<array{km: ?int, mm: float}> $measured oldest first; the kilometres may be unknown
     * @param float $leastMm at which it has to go
     */
    public static function of(array $measured, float $leastMm): self
    {
        $now = $measured[\count($measured) - 1];
        $left = $now['mm'] - $leastMm;
        $pace = self::pace(self::sinceNew($measured));

        return new self($left, $pace, null === $pace ? null : (int) (max(0.0, $left) / $pace * 1000.0));
    }

    /**
     * A lining that is thicker than the time before was replaced: what was measured of the old one does not count.
     *
     * @param list<array{km: ?int, mm: float}> $measured
     *
     * @return list<array{km: int, mm: float}>
     */
    private static function sinceNew(array $measured): array
    {
        $series = [];
        foreach ($measured as ['km' => $km, 'mm' => $mm]) {
            $last = $series[\count($series) - 1]['mm'] ?? $mm;
            $series = $mm > $last + self::THICKER_MM ? [] : $series;
            if (null !== $km) {
                $series[] = ['km' => $km, 'mm' => $mm];
            }
        }

        return $series;
    }

    /** @param list<array{km: int, mm: float}> $series */
    private static function pace(array $series): ?float
    {
        $first = $series[0] ?? null;
        $last = $series[\count($series) - 1] ?? null;
        if (null === $first || null === $last || $last['km'] - $first['km'] < self::LEAST_KM) {
            return null;
        }
        $worn = $first['mm'] - $last['mm'];

        return $worn > 0.0 ? $worn / (($last['km'] - $first['km']) / 1000.0) : null;
    }
}
