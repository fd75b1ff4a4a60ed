<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What a suspect would show in rows that take numbers, at the severity that comes nearest to what was typed. */
final readonly class Likeness
{
    /** Numbers below this are as good as none when their ratio is taken (mm, kPa). */
    private const NOTHING = 0.5;

    /**
     * @param list<Particle> $particles of the layout, in the order of the signature
     * @param list<string> $rows keys of rows with numbers
     * @param array<string, float> $typed by row key, in core units
     *
     * @return array<string, float> median by row key; empty where the suspect cannot sit there
     */
    public static function of(
        Signature $signature,
        array $particles,
        SuspectAt $suspect,
        array $rows,
        array $typed,
    ): array {
        $best = null;
        $least = \INF;
        foreach ($particles as $i => $particle) {
            if (!$particle->suspect->is($suspect)) {
                continue;
            }
            // with nothing typed the commonest severity stands for it
            $off = -1e-6 * $particle->weight;
            foreach ($rows as $row) {
                $median = $signature->rows[$row]['medians'][$i] ?? null;
                if (null !== $median && isset($typed[$row])) {
                    $off += log(max(self::NOTHING, $typed[$row]) / max(self::NOTHING, $median)) ** 2;
                }
            }
            if ($off < $least) {
                [$best, $least] = [$i, $off];
            }
        }
        $shown = [];
        foreach (null === $best ? [] : $rows as $row) {
            $median = $signature->rows[$row]['medians'][$best] ?? null;
            if (null !== $median) {
                $shown[$row] = $median;
            }
        }

        return $shown;
    }
}
