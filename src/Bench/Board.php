<?php

declare(strict_types=1);

namespace App\Bench;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** What is believed of a vehicle, by where the drawing shows it. */
final readonly class Board
{
    private const AT_THE_WHEEL = ['wheel', 'axle'];

    /**
     * @param array<string, float> $groups mass by repair group
     * @param list<string> $struck groups that were struck out
     * @param bool $read something was read: what carries nothing is cleared
     */
    public function __construct(
        private Catalogue $catalogue,
        public Layout $layout,
        public array $groups,
        private array $struck,
        public bool $read,
    ) {
    }

    /** Belief in what is drawn as something that is there once. */
    public function drawnAs(string $drawn): float
    {
        return array_sum(array_filter(
            $this->groups,
            fn (string $group): bool => $this->catalogue->repairs->of(GroupAt::parse($group))->drawn === $drawn,
            \ARRAY_FILTER_USE_KEY,
        ));
    }

    /** Belief in what is drawn so on the way to a wheel. */
    public function at(string $drawn, Corner $corner): float
    {
        $mass = 0.0;
        foreach ($this->groups as $group => $own) {
            $at = GroupAt::parse($group);
            $here = $this->catalogue->repairs->of($at)->drawn === $drawn;
            $mass += $here && \in_array($corner, $this->wheelsOf($at->place), true) ? $own : 0.0;
        }

        return $mass;
    }

    public function atWheel(Corner $corner): float
    {
        return array_sum(array_map(fn (string $drawn): float => $this->at($drawn, $corner), self::AT_THE_WHEEL));
    }

    public function isStruck(string $drawn, Corner $corner): bool
    {
        foreach ($this->struck as $group) {
            $at = GroupAt::parse($group);
            $here = $this->catalogue->repairs->of($at)->drawn === $drawn;
            if ($here && \in_array($corner, $this->wheelsOf($at->place), true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The wheels that a place reaches in this vehicle.
     *
     * @return list<Corner>
     */
    public function wheelsOf(Place $place): array
    {
        return array_values(array_filter(
            Corner::cases(),
            fn (Corner $corner): bool => $this->layout->reaches($place, Place::at($corner)),
        ));
    }
}
