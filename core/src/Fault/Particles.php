<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Place;

/** Every fault of the catalogue at every place that it can have in a layout, over its severity grid. */
final readonly class Particles
{
    /** @return list<Particle> in a fixed order */
    public static function of(Faults $faults, Layout $layout): array
    {
        return array_merge(...array_values(array_map(
            static fn (Fault $fault): array => self::ofFault($fault, $layout),
            $faults->all,
        )));
    }

    /** @return list<Particle> */
    public static function ofFault(Fault $fault, Layout $layout): array
    {
        $chambers = array_map(static fn (Chamber $chamber): Place => Place::of($chamber->id), $layout->chambers);
        $grid = $fault->damage->grid();
        $particles = [];
        foreach ($fault->places->in($layout) as $place) {
            foreach ($grid as [$severity, $share]) {
                $effects = $fault->damage->effectsAt($place, $severity, $chambers);
                $particles[] = new Particle($fault, $place, $severity, $fault->odds->weight * $share, $effects);
            }
        }

        return $particles;
    }
}
