<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;

/**
 * Two faults that nobody named: pairs of single hypotheses drawn evenly from their weights. What a pair shows is
 * composed from what its two show alone, a defect showing where either shows it; the rows of a pair are multiplied
 * before pairs are averaged, so that "a second fault" falls where everything that is read is sound.
 */
final readonly class Composed
{
    /** So many stand for all of them (estimate; 60 to 300: more change no verdict, and cost time). */
    private const PAIRS = 120;
    /** Steps of the golden section never fall into step with a grid. */
    private const GOLDEN = 0.6180339887498949;
    private const NOTHING = 'none';

    /**
     * @param list<Particle> $particles
     *
     * @return list<array{int, int}> which two of the particles
     */
    public static function of(array $particles): array
    {
        $sums = [];
        $sum = 0.0;
        foreach ($particles as $i => $particle) {
            if (self::NOTHING !== $particle->group->id && $particle->weight > 0.0) {
                $sum += $particle->weight;
                $sums[$i] = $sum;
            }
        }
        $pairs = [];
        for ($n = 0; $n < self::PAIRS && $sum > 0.0; ++$n) {
            $one = self::at($sums, $sum * ($n + 0.5) / self::PAIRS);
            $other = self::at($sums, $sum * fmod(($n + 0.5) * self::GOLDEN, 1.0));
            if (!$particles[$one]->group->is($particles[$other]->group)) {
                $pairs[] = [$one, $other];
            }
        }

        return $pairs;
    }

    /**
     * How likely an answer is with two faults, from how likely it is with each alone and with neither: what one of
     * them makes likelier stays so, what either denies is denied.
     */
    public static function chance(float $one, float $other, float $sound): float
    {
        return min(max($one, $other), $one * $other / max($sound, 1e-12));
    }

    /** @param non-empty-array<int, float> $sums running, rising */
    private static function at(array $sums, float $at): int
    {
        foreach ($sums as $i => $sum) {
            if ($at <= $sum) {
                return $i;
            }
        }

        return array_key_last($sums);
    }
}
