<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

/** What four thicknesses of a pair of pads say: inner and outer, each at its leading and trailing end, mm of lining. */
final readonly class PadWear
{
    /** One pad this much thinner than the other has worn alone (estimate; 0.8 to 2). */
    private const APART_MM = 1.5;
    /** One end of a pad this much thinner is a wedge (estimate; 0.8 to 2). */
    private const WEDGE_MM = 1.2;
    /** Metal shows soon: the least lining that is let on the road (typical; the vehicle's own goes first). */
    public const LEAST_MM = 2.0;

    private function __construct(public string $word, public float $leastMm)
    {
    }

    public static function of(float $innerA, float $innerB, float $outerA, float $outerB): self
    {
        $inner = ($innerA + $innerB) / 2.0;
        $outer = ($outerA + $outerB) / 2.0;
        $word = match (true) {
            max(abs($innerA - $innerB), abs($outerA - $outerB)) > self::WEDGE_MM => 'taper',
            $outer - $inner > self::APART_MM => 'inner',
            $inner - $outer > self::APART_MM => 'outer',
            default => 'even',
        };

        return new self($word, min($innerA, $innerB, $outerA, $outerB));
    }

    /** Kilometres until the least lining is reached at the wear so far; null when nothing has worn yet. */
    public function kmLeft(float $newMm, float $drivenKm): ?float
    {
        $worn = $newMm - $this->leastMm;

        return $worn > 0.0 && $drivenKm > 0.0 ? max(0.0, $this->leastMm - self::LEAST_MM) / $worn * $drivenKm : null;
    }
}
