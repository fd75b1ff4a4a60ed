<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * What a step is wrong by against what it may be, and how long the next one may therefore be.
 *
 * @internal
 */
final readonly class StepError
{
    /** The next step is at most so many times as long, with the two-step formula and with backward Euler. */
    public const GROWTH = 2.0;
    private const LEAP = 8.0;
    /**
     * Error of one step at a wheel: kPa, and share of its pressure (chosen for the halving law). Where pressures come
     * to rest quickly what a step was wrong by is gone before anybody reads it, unless he looks while they move.
     */
    private const BOUND_KPA = 0.4;
    private const BOUND_SHARE = 0.0004;
    private const QUICK_SHARE = 0.004;
    /** How far contact reaches, in times of how softly the lining comes on. */
    private const CONTACT = 6.0;
    /** There the bound is this share of the usual one; a run that is read to millimetres or words wants less of it. */
    private const CONTACT_SHARE = 0.05;
    private const COARSE_CONTACT_SHARE = 0.15;
    /** Error of one step at the piston of a chamber that leaks past its cup, mL. */
    private const BOUND_ML = 0.012;

    /** A step that is wrong by so many times its bound is tried again, shorter. */
    private const REFUSED = 2.0;
    private const QUICK_REFUSED = 3.0;

    private float $contactShare;

    /** @param float $tolerance 1 is the working accuracy; 0.5 halves every error bound */
    public function __construct(private float $tolerance)
    {
        $this->contactShare = $tolerance > 1.0 ? self::COARSE_CONTACT_SHARE : self::CONTACT_SHARE;
    }

    /** So many times its bound a step may be wrong by before it is tried again. */
    public static function refused(Circuit $circuit): float
    {
        return $circuit->quick ? self::QUICK_REFUSED : self::REFUSED;
    }

    /**
     * What a step is wrong by, over what it may be.
     *
     * @param array<int, float> $guess
     * @param array<int, float> $kpa
     */
    public function of(
        Circuit $circuit,
        Course $course,
        array $guess,
        array $kpa,
        float $moved,
        float $step,
    ): float {
        $share = $course->share($step);
        $ofPressure = $circuit->quick && !$course->watched ? self::QUICK_SHARE : self::BOUND_SHARE;
        $error = 0.0;
        foreach ($circuit->soft as $node) {
            $bound = $circuit->slow || $course->watched
                ? $this->boundKpa($circuit, $node, $kpa[$node])
                : $this->tolerance * (self::BOUND_KPA + $ofPressure * abs($kpa[$node]));
            $off = ($share * abs($kpa[$node] - $guess[$node])) / $bound;
            if ($off > $error) {
                $error = $off;
            }
        }
        if ($circuit->hasBypass()) {
            $error = max($error, 0.5 * $course->pistonOff($moved, $step) / ($this->tolerance * self::BOUND_ML));
        }

        return $error;
    }

    /**
     * What a step may be wrong by, kPa: less where a lining comes on or goes slowly, for there time is much pressure.
     */
    private function boundKpa(Circuit $circuit, int $node, float $kpa): float
    {
        return $this->tolerance
            * (self::isTouching($circuit, $node, $kpa) ? $this->contactShare : 1.0)
            * (self::BOUND_KPA + self::BOUND_SHARE * abs($kpa));
    }

    /** Whether a lining is coming on or going: there a little pressure is much volume. */
    private static function isTouching(Circuit $circuit, int $node, float $kpa): bool
    {
        return abs($kpa - $circuit->springKpa[$node]) < self::CONTACT * $circuit->touchKpa[$node];
    }

    /**
     * How many times as long the next step may be. Where the two-step formula may not grow as far as its error would
     * let it, backward Euler goes on from there if it gets farther: so it is after each corner of the source, from
     * where steps grow a thousandfold. Not where fluid is lost or drawn in on the way: that is added up over all
     * steps, and backward Euler does it a power worse than it does pressures.
     *
     * @param array<int, float> $kpa
     * @param bool $closed whether no fluid comes or goes
     */
    public function growth(
        Circuit $circuit,
        Course $course,
        array $kpa,
        bool $closed,
        float $error,
        float $power,
    ): float {
        $growth = $error > 0.0 ? 0.9 / $error ** (1.0 / $power) : self::LEAP;
        if ($growth < self::GROWTH || !$closed) {
            return min(self::GROWTH, $growth);
        }
        if ($power < 3.0) {
            return min(self::LEAP, $growth);
        }
        $ofPressure = $circuit->quick && !$course->watched ? self::QUICK_SHARE : self::BOUND_SHARE;
        $bend = 0.0;
        foreach ($circuit->soft as $node) {
            $x = $kpa[$node];
            if (self::isTouching($circuit, $node, $x)) {
                return self::GROWTH;
            }
            $bound = $this->tolerance * (self::BOUND_KPA + $ofPressure * abs($x));
            $bend = max($bend, $course->bendKpa($node, $kpa) / $bound);
        }

        return max(self::GROWTH, min(self::LEAP, $bend > 0.0 ? 0.9 / sqrt($bend) : self::LEAP));
    }
}
