<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;

/** Every fault of the catalogue at every place that it can have in a layout, over its severity grid. */
final readonly class Particles
{
    /** @return non-empty-list<Particle> in a fixed order */
    public static function of(Catalogue $catalogue, Layout $layout): array
    {
        $chambers = array_map(static fn (Chamber $chamber): string => $chamber->id, $layout->chambers);
        $particles = [];
        foreach ($catalogue->faults as $fault) {
            foreach ($fault->places->in($layout) as $place) {
                foreach (self::grid($fault->severities) as [$severity, $share]) {
                    $particles[] = new Particle($fault, $place, $severity, $fault->weight * $share, $fault->effectsAt($place, $severity, $chambers));
                }
            }
        }

        return [] !== $particles ? $particles : throw new \LogicException('A checked catalogue has faults.');
    }

    /**
     * @param list<Severity> $axes
     *
     * @return list<array{array<string, float>, float}> each combination with its share of the weight
     */
    private static function grid(array $axes): array
    {
        $grid = [[[], 1.0]];
        foreach ($axes as $axis) {
            $sum = array_sum($axis->weights);
            $wider = [];
            foreach ($grid as [$severity, $share]) {
                foreach ($axis->values as $i => $value) {
                    $wider[] = [[...$severity, $axis->name => $value], $share * $axis->weights[$i] / $sum];
                }
            }
            $grid = $wider;
        }

        return $grid;
    }
}
