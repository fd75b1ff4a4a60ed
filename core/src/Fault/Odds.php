<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\Place;

/** How common a fault is, and what makes it commoner. */
final readonly class Odds
{
    /**
     * @param float $weight relative base weight
     * @param Part|null $agesWith the part whose age it goes by
     * @param array<string, float> $afterFitting part fitted lately at the same place → factor on the weight
     * @param float $atDrums factor on the weight where it feeds or sits at drums alone
     */
    private function __construct(
        public float $weight,
        public ?Part $agesWith,
        public array $afterFitting,
        private float $atDrums,
    ) {
    }

    /** Base weight at a place of a vehicle. */
    public function weightAt(Place $place, Layout $layout): float
    {
        $wheels = $place->wheels();
        $drums = array_filter($wheels, static fn (Corner $wheel): bool => !$layout->brake($wheel)->disc);

        return $this->weight * ([] !== $wheels && \count($drums) === \count($wheels) ? $this->atDrums : 1.0);
    }

    public static function fromShape(Shape $shape): self
    {
        $part = $shape->text('ages_with');

        return new self(
            $shape->positive('weight'),
            '' === $part ? null : Part::of($part),
            $shape->numberMap('after_fitting'),
            $shape->has('at_drums') ? $shape->positive('at_drums') : 1.0,
        );
    }
}
