<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;

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
        $grid = $fault->damage->grid();
        $particles = [];
        foreach ($fault->places->in($layout) as $place) {
            $weight = $fault->odds->weightAt($place, $layout);
            foreach ($grid as [$severity, $share]) {
                $effects = $fault->damage->effectsAt($place, $severity, $layout);
                $particles[] = new Particle($fault, $place, $severity, $weight * $share, $effects);
            }
        }

        return $particles;
    }

    /**
     * A lighter and a heavier severity of one suspect: at a quarter and at three quarters of its weight.
     *
     * @return non-empty-list<Particle>
     *
     * @throws InvalidData when it cannot sit there
     */
    public static function few(Faults $faults, Layout $layout, SuspectAt $suspect): array
    {
        $own = array_values(array_filter(
            self::ofFault($faults->of($suspect), $layout),
            static fn (Particle $particle): bool => $particle->suspect->is($suspect),
        ));
        if ([] === $own) {
            throw InvalidData::at('/suspect', \sprintf('this vehicle cannot have "%s"', $suspect));
        }

        return array_map(static fn (int $i): Particle => $own[$i], self::picks($own));
    }

    /**
     * @param non-empty-list<Particle> $own of one suspect
     *
     * @return non-empty-list<int> which of them
     */
    public static function picks(array $own): array
    {
        $sum = array_sum(array_map(static fn (Particle $particle): float => $particle->weight, $own));
        $picks = [];
        foreach ([0.25, 0.75] as $share) {
            $left = $share * $sum;
            foreach ($own as $i => $particle) {
                $left -= $particle->weight;
                if ($left <= 0.0) {
                    $picks[$i] = $i;
                    break;
                }
            }
        }

        return [] === $picks ? [0] : array_values($picks);
    }
}
