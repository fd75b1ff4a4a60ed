<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/** The few functions of probability that observers need. */
final readonly class Chance
{
    private const SQRT_2PI = 2.5066282746310002;

    /**
     * Chance that a log-normal reading of `$value` falls below `$limit`; values near zero count as 2 % of the limit.
     */
    public static function below(float $limit, float $value, float $sigma): float
    {
        return self::normal(log($limit / max($value, 0.02 * $limit)) / max($sigma, 1e-6));
    }

    public static function above(float $limit, float $value, float $sigma): float
    {
        return 1.0 - self::below($limit, $value, $sigma);
    }

    /** Density of a log-normal reading `$x` around `$median`. */
    public static function density(float $x, float $median, float $sigma): float
    {
        $z = log(max($x, 1e-9) / max($median, 1e-9)) / $sigma;

        return exp(-0.5 * $z * $z) / (max($x, 1e-9) * $sigma * sqrt(2.0 * \M_PI));
    }

    /**
     * The z below which a share of a normal lies, by a rational fit for the middle and one for the tails (absolute
     * error
     * below 4.5e-4; Abramowitz and Stegun, Handbook of Mathematical Functions, 26.2.23), once improved by Newton;
     * ±8 for a share that is all or nothing.
     */
    public static function deviate(float $share): float
    {
        if ($share < 1e-9 || $share > 1.0 - 1e-9) {
            return $share < 0.5 ? -8.0 : 8.0;
        }
        $t = sqrt(-2.0 * log(min($share, 1.0 - $share)));
        $z = $t
            - (2.515517 + $t * (0.802853 + $t * 0.010328))
                / (1.0 + $t * (1.432788 + $t * (0.189269 + $t * 0.001308)));
        $z = $share < 0.5 ? -$z : $z;

        return $z - (self::normal($z) - $share) * self::SQRT_2PI * exp(0.5 * $z * $z);
    }

    /**
     * Φ(z) by the complementary error function's Chebyshev fit, error below 1.2e-7
     * (Press et al., Numerical Recipes, section 6.2).
     */
    public static function normal(float $z): float
    {
        $x = abs($z) / \M_SQRT2;
        $t = 1.0 / (1.0 + 0.5 * $x);
        $poly
            = -1.26551223
            + $t
                * (1.00002368
                    + $t
                        * (0.37409196
                            + $t
                                * (0.09678418
                                    + $t
                                        * (-0.18628806
                                            + $t
                                                * (0.27886807
                                                    + $t
                                                        * (-1.13520398
                                                            + $t
                                                                * (1.48851587
                                                                    + $t * (-0.82215223 + $t * 0.17087277))))))));
        $tail = 0.5 * $t * exp(-$x * $x + $poly);

        return $z > 0.0 ? 1.0 - $tail : $tail;
    }
}
