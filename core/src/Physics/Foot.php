<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What the foot does over time: force in N, straight lines between points. */
final readonly class Foot
{
    /** @param non-empty-list<array{float, float}> $points (seconds, newtons), times rising */
    private function __construct(public array $points)
    {
    }

    /** Presses to `$forceN` in `$onS`, holds until `$holdS` after that, lets go in 0.2 s. */
    public static function press(float $forceN, float $onS = 0.4, float $holdS = 3.0, float $offS = 0.2): self
    {
        return new self([[0.0, 0.0], [$onS, $forceN], [$onS + $holdS, $forceN], [$onS + $holdS + $offS, 0.0]]);
    }

    /** Presses in 0.4 s and stays. */
    public static function hold(float $forceN): self
    {
        return new self([[0.0, 0.0], [0.4, $forceN]]);
    }

    /** Presses in 0.4 s, holds, lets go for a second and holds again for fifteen. */
    public static function holdTwice(float $forceN, float $holdS): self
    {
        $off = 0.4 + $holdS;

        return new self([
            [0.0, 0.0], [0.4, $forceN], [$off, $forceN], [$off + 0.2, 0.0], [$off + 1.2, 0.0], [$off + 1.6, $forceN],
        ]);
    }

    /**
     * Quick strokes: on in 0.25 s, held 0.30 s, off in 0.15 s, 0.15 s between them; one more after a wait where that
     * is asked.
     */
    public static function strokes(int $count, float $forceN, ?float $againAfterS = null): self
    {
        $points = [[0.0, 0.0]];
        for ($n = 0; $n < $count; ++$n) {
            $t = 0.85 * $n;
            array_push($points, [$t + 0.25, $forceN], [$t + 0.55, $forceN], [$t + 0.7, 0.0], [$t + 0.85, 0.0]);
        }
        if (null !== $againAfterS) {
            $t = $points[\count($points) - 2][0] + $againAfterS;
            array_push($points, [$t, 0.0], [$t + 0.25, $forceN], [$t + 0.55, $forceN], [$t + 0.7, 0.0]);
        }

        return new self($points);
    }

    public static function off(): self
    {
        return new self([[0.0, 0.0]]);
    }

    public function at(float $t): float
    {
        [$from, $newtons, $perS] = $this->piece($t);

        return $newtons + $perS * ($t - $from);
    }

    /** @return array{float, float, float, float} the straight piece at a moment: from, newtons there, N/s, until */
    public function piece(float $t): array
    {
        $before = $this->points[0];
        foreach ($this->points as $point) {
            if ($t <= $point[0]) {
                $span = $point[0] - $before[0];

                return $span > 0.0
                    ? [$before[0], $before[1], ($point[1] - $before[1]) / $span, $point[0]]
                    : [$point[0], $point[1], 0.0, $point[0]];
            }
            $before = $point;
        }

        return [$before[0], $before[1], 0.0, \INF];
    }

    /** The last moment at which anything changes. */
    public function end(): float
    {
        return $this->points[\count($this->points) - 1][0];
    }

    public function hasCorner(float $t): bool
    {
        return $this->nextCorner($t - 2e-9) <= $t + 1e-9;
    }

    /** The next moment after `$t` at which the slope changes; INF when there is none. */
    public function nextCorner(float $t): float
    {
        foreach ($this->points as $point) {
            if ($point[0] > $t + 1e-9) {
                return $point[0];
            }
        }

        return \INF;
    }

    /** The next moment after `$t` at which the force passes `$newtons`; INF when there is none. */
    public function nextPassing(float $t, float $newtons): float
    {
        $before = $this->points[0];
        foreach ($this->points as $point) {
            [$from, $to] = [$before[1] - $newtons, $point[1] - $newtons];
            if ($point[0] > $t && $from * $to < 0.0) {
                $at = $before[0] + (($point[0] - $before[0]) * $from) / ($from - $to);
                if ($at > $t + 1e-9) {
                    return $at;
                }
            }
            $before = $point;
        }

        return \INF;
    }
}
