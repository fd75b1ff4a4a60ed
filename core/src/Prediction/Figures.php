<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

/**
 * Numbers to so many significant figures, as a table would print them.
 *
 * @internal
 */
final readonly class Figures
{
    /** What is kept, and what tells two predictions apart. */
    private const KEPT = 6;
    private const TOLD = 5;
    /** Powers of ten up to this one are exact in binary. */
    private const EXACT = 22;

    public static function kept(float $number): float
    {
        return self::rounded($number, self::KEPT);
    }

    /**
     * Predictions that agree to five figures are one.
     *
     * @param list<float> $chances
     */
    public static function print(array $chances): string
    {
        foreach ($chances as $n => $chance) {
            $chances[$n] = self::rounded($chance, self::TOLD);
        }

        return pack('d*', ...$chances);
    }

    private static function rounded(float $number, int $figures): float
    {
        if (0.0 === $number || !is_finite($number)) {
            return $number;
        }
        $up = $figures - 1 - (int) floor(log10(abs($number)));
        if ($up < 0 || $up > self::EXACT) {
            return (float) \sprintf('%.'.$figures.'g', $number);
        }
        $scale = 10.0 ** $up;

        return ($number < 0.0 ? ceil($number * $scale - 0.5) : floor($number * $scale + 0.5)) / $scale;
    }
}
