<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;

/**
 * Two faults that nobody named. What a pair shows is
 * composed from what its two show alone, a defect showing where either shows it; the rows of a pair are multiplied
 * before pairs are averaged, so that "a second fault" falls where everything that is read is sound.
 */
final readonly class Composed
{
    /** Steps of the golden section never fall into step with a grid. */
    private const GOLDEN = 0.6180339887498949;
    /** With one partner each, a fault more in the catalogue doubled what was believed of others (chosen). */
    private const PARTNERS = 4;
    private const NOTHING = 'none';

    /**
     * Every suspect at its commonest severity with some others, drawn evenly from all: the pairs of a suspect together
     * weigh what the suspect does.
     *
     * @param list<Particle> $particles
     * @param list<array{int, int}> $named pairs that were simulated: they stand for themselves
     *
     * @return list<array{int, int, float}> which two of the particles, and the weight of the first one's suspect
     */
    public static function of(array $particles, array $named = []): array
    {
        $has = [];
        foreach ($named as [$i, $j]) {
            $one = (string) $particles[$i]->suspect;
            $other = (string) $particles[$j]->suspect;
            $has[$one][$other] = $has[$other][$one] = true;
        }
        $weights = $commonest = [];
        foreach ($particles as $i => $particle) {
            if (self::NOTHING !== $particle->group->id && $particle->weight > 0.0) {
                $suspect = (string) $particle->suspect;
                $weights[$suspect] = ($weights[$suspect] ?? 0.0) + $particle->weight;
                $before = $commonest[$suspect] ?? $i;
                $commonest[$suspect] = $particle->weight > $particles[$before]->weight ? $i : $before;
            }
        }
        $sums = [];
        $sum = 0.0;
        foreach ($weights as $suspect => $weight) {
            $sum += $weight;
            $sums[$suspect] = $sum;
        }
        $pairs = [];
        $n = 0;
        foreach ($commonest as $suspect => $one) {
            $met = [];
            for ($k = 0; $k < self::PARTNERS; ++$k) {
                $other = $commonest[self::at($sums, $sum * fmod((++$n + 0.5) * self::GOLDEN, 1.0))];
                $same = $particles[$one]->group->is($particles[$other]->group);
                if (!$same && !isset($has[$suspect][(string) $particles[$other]->suspect])) {
                    $met[$other] = ($met[$other] ?? 0) + 1;
                }
            }
            foreach ($met as $other => $times) {
                $pairs[] = [$one, $other, $weights[$suspect] * $times / array_sum($met)];
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

    /** @param array<string, float> $sums running, rising; not empty */
    private static function at(array $sums, float $at): string
    {
        foreach ($sums as $i => $sum) {
            if ($at <= $sum) {
                return $i;
            }
        }

        return (string) array_key_last($sums);
    }
}
