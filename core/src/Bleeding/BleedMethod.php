<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Shape;

/** How the fluid is moved, and by which count a bleeder is done. */
final readonly class BleedMethod
{
    private function __construct(
        public string $id,
        /** `strokes` of the pedal, or `ml` in the bottle */
        public string $unit,
        /** so many strokes, or mL, without a bubble */
        public float $clear,
        /** share of the chamber's volume that one stroke moves; 0 where nobody pumps */
        public float $strokeShare,
        public string $caution,
    ) {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        $unit = $shape->text('unit');
        if (!\in_array($unit, ['strokes', 'ml'], true)) {
            throw $shape->wrong('unit', 'strokes or ml is expected');
        }
        if ($shape->number('clear') <= 0.0) {
            throw $shape->wrong('clear', 'a number above zero is expected');
        }

        return new self(
            $id,
            $unit,
            $shape->number('clear'),
            $shape->number('stroke_share', 0.0),
            $shape->text('caution'),
        );
    }
}
