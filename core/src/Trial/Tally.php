<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** Counts over many jobs, with the interval in which the true figure lies 19 times in 20. */
final readonly class Tally
{
    /** Two-sided 95 % of a normal. */
    private const Z = 1.96;

    /**
     * Wilson's interval of a share.
     *
     * @return array{share: float, low: float, high: float}
     */
    public static function share(int $hits, int $of): array
    {
        if (0 === $of) {
            return ['share' => 0.0, 'low' => 0.0, 'high' => 1.0];
        }
        $p = $hits / $of;
        $z2 = self::Z ** 2;
        $middle = ($p + $z2 / (2 * $of)) / (1.0 + $z2 / $of);
        $half = self::Z * sqrt($p * (1.0 - $p) / $of + $z2 / (4 * $of * $of)) / (1.0 + $z2 / $of);

        return ['share' => $p, 'low' => max(0.0, $middle - $half), 'high' => min(1.0, $middle + $half)];
    }

    /**
     * @param list<float> $values
     *
     * @return array{mean: float, low: float, high: float, median: float}
     */
    public static function mean(array $values): array
    {
        $n = \count($values);
        if (0 === $n) {
            return ['mean' => 0.0, 'low' => 0.0, 'high' => 0.0, 'median' => 0.0];
        }
        sort($values);
        $mean = array_sum($values) / $n;
        $square = array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values));
        $half = self::Z * sqrt($square / max(1, $n - 1) / $n);

        return ['mean' => $mean, 'low' => $mean - $half, 'high' => $mean + $half, 'median' => $values[intdiv($n, 2)]];
    }

    /**
     * Of the findings given so much belief, so many were right: in tenths from one half up, with the mean distance of
     * belief and truth weighted by how many there are, and Brier's score.
     *
     * @param list<array{float, bool}> $findings belief, and whether it was right
     *
     * @return array{
     *     rows: list<array{from: float, n: int, believed: float, right: float}>, error: float, brier: float, log: float
     * } log: mean of −ln of what was believed of what came true
     */
    public static function calibration(array $findings): array
    {
        $bins = [];
        $brier = $log = 0.0;
        foreach ($findings as [$mass, $right]) {
            $at = (int) min(19, floor($mass * 20.0));
            $bins[$at][] = [$mass, $right];
            $brier += ($mass - (float) $right) ** 2;
            $log -= log(max(1e-6, $right ? $mass : 1.0 - $mass));
        }
        ksort($bins);
        $rows = [];
        $error = 0.0;
        foreach ($bins as $at => $bin) {
            $believed = array_sum(array_column($bin, 0)) / \count($bin);
            $right = array_sum(array_map(static fn (array $one): float => (float) $one[1], $bin)) / \count($bin);
            $error += \count($bin) * abs($believed - $right);
            $rows[] = ['from' => $at / 20.0, 'n' => \count($bin), 'believed' => $believed, 'right' => $right];
        }
        $n = max(1, \count($findings));

        return ['rows' => $rows, 'error' => $error / $n, 'brier' => $brier / $n, 'log' => $log / $n];
    }
}
