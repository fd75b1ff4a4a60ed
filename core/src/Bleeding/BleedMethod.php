<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Reach;

/** How the fluid is moved, and by which count a bleeder is done. */
final readonly class BleedMethod
{
    /** So many strokes a minute, the spanner in the other hand (estimate; 6 to 12). */
    private const STROKES_PER_MINUTE = 8.0;

    /** Where it runs by itself. */
    public float $mlPerMinute;
    /** Never more at the reservoir; null where nothing presses there. */
    public ?float $mostKpa;
    /** @var list<Reach> kinds of brake that it is for */
    private array $on;
    /** Only where there is a modulator. */
    private bool $modulator;

    /**
     * @param string $unit `strokes` of the pedal, or `ml` in the bottle
     * @param float $clear so many strokes, or mL, without a bubble
     * @param float $strokeShare share of the chamber's volume that one stroke moves; 0 where nobody pumps
     * @param Shape $shape for what few methods say
     */
    private function __construct(
        public string $id,
        public string $unit,
        public float $clear,
        public float $strokeShare,
        public string $caution,
        Shape $shape,
    ) {
        $this->mlPerMinute = $shape->number('ml_per_minute', 40.0);
        $this->mostKpa = $shape->optionalNumber('most_kpa');
        $this->on = Reach::listFrom($shape);
        $this->modulator = $shape->flag('modulator');
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
            $shape,
        );
    }

    public function isFor(Layout $layout): bool
    {
        return \in_array($layout->reach(), $this->on, true)
            && ($layout->pipework->modulator || !$this->modulator);
    }

    /** What one count moves there, mL. */
    public function mlEach(float $chamberMl): float
    {
        return 'strokes' === $this->unit ? $this->strokeShare * $chamberMl : 1.0;
    }

    /** How long so much takes, without getting to the bleeder (min). */
    public function minutes(float $ml, int $count): float
    {
        return 'strokes' === $this->unit ? $count / self::STROKES_PER_MINUTE : $ml / $this->mlPerMinute;
    }
}
