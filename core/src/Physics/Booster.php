<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Layout;

/** Foot force to chamber pressure; see `docs/hydraulics.md`, "Foot to master cylinder". */
final readonly class Booster
{
    /** Below this vacuum a control valve that holds on lets go (kPa; handbook). */
    private const HOLDS_ABOVE_KPA = 20.0;
    /** Share of the rod force that gets past the cups (handbook). */
    private const SEAL_EFFICIENCY = 0.9;
    /** What the piston springs take (N; handbook). */
    private const RETURN_SPRING_N = 60.0;

    /** N at the rod that make a kPa before the master, without springs. */
    private float $perKpa;
    /** Equal boosters behave equally: a key for sharing results. */
    public string $print;

    /**
     * @param float $vacuumKpa while it is pressed
     * @param float $boreShare of the master over its right bore
     * @param float $gainShare of what a remote booster should add
     * @param Start|null $start of the engine, without vacuum before it; null: it runs, or nothing fills it
     */
    public function __construct(
        private Layout $layout,
        private float $vacuumKpa,
        private HeldRod $held = new HeldRod(),
        private float $boreShare = 1.0,
        private float $gainShare = 1.0,
        private ?Start $start = null,
    ) {
        $this->perKpa = 0.1 * $layout->masterAreaCm2() * $boreShare ** 2;
        $this->print = pack(
            'd*',
            $held->stuckN,
            $held->stuckUntil,
            $vacuumKpa,
            $boreShare,
            $gainShare,
            $held->preloadN,
        )
            .(null === $start ? '' : pack('d*', $start->atS, $start->fillsS));
    }

    /** F_rod = max(F_in + F_assist, F_stuck, F_preload) in N; F_stuck only while there is vacuum. */
    public function rodN(float $footN, float $t = 0.0): float
    {
        $in = $this->layout->pedal->ratio * $footN;
        $vacuum = $this->vacuumAt($t);

        return max(
            $in + $this->assistN($in, $vacuum),
            $this->held->newtons($vacuum > self::HOLDS_ABOVE_KPA, $t),
        );
    }

    /**
     * p* = max(0, 0.9 F_rod − 60) / (0.1 A_mc) in kPa; behind a remote booster what that makes of it.
     */
    public function chamberKpa(float $footN, float $t = 0.0): float
    {
        $kpa = max(0.0, self::SEAL_EFFICIENCY * $this->rodN($footN, $t) - self::RETURN_SPRING_N)
            / $this->perKpa;
        $remote = $this->layout->assist->remote;

        return null === $remote ? $kpa : $remote->outKpa($kpa, $this->vacuumAt($t), $this->gainShare);
    }

    /** The moment after `$t` at which a stuck valve lets go, or the engine starts; INF when there is none. */
    public function nextCorner(float $t): float
    {
        $next = $this->held->nextCorner($t);

        return null !== $this->start && $this->start->atS > $t + 1e-9 ? min($next, $this->start->atS) : $next;
    }

    /**
     * Forces at the pedal, N, at which its slope changes: where the piston springs are beaten, or what holds the rod,
     * where a valve opens (a step where it jumps in), where the assist runs out. None below the lightest touch.
     *
     * @return list<float>
     */
    public function bendsAtN(): array
    {
        $assist = $this->layout->assist;
        $remote = $assist->remote;
        $rods = array_map($this->inForN(...), [$this->rodForN(0.0), $this->held->stuckN, $this->held->preloadN]);
        if ($this->vacuumKpa > 0.0 && $assist->areaCm2 > 0.0) {
            array_push($rods, $assist->cutInN, $this->runsOutN());
        }
        if ($this->vacuumKpa > 0.0 && null !== $remote) {
            $rods[] = $this->rodForN($remote->cutInKpa);
            $rods[] = $this->rodForN($remote->runsOutKpa($this->vacuumKpa));
        }

        return array_values(array_unique(array_filter(
            array_map(fn (float $rodN): float => $rodN / $this->layout->pedal->ratio, $rods),
            static fn (float $footN): bool => $footN > 0.0 && $footN < \INF,
        )));
    }

    /** N at the rod that make a pressure before a remote booster. */
    private function rodForN(float $kpa): float
    {
        return ($kpa * $this->perKpa + self::RETURN_SPRING_N) / self::SEAL_EFFICIENCY;
    }

    /** N into the booster that make a force at its rod. */
    private function inForN(float $rodN): float
    {
        $assist = $this->layout->assist;
        $most = 0.1 * $assist->areaCm2 * $this->vacuumKpa;
        if ($most <= 0.0 || $rodN <= $assist->cutInN) {
            return $rodN;
        }
        $beyond = max(0.0, $rodN - $assist->cutInN - min($most, max(0.0, $assist->jumpOutN - $assist->cutInN)));

        return max($assist->cutInN + $beyond / $assist->gain, $rodN - $most);
    }

    /** N into the booster from which it has given all it can. */
    private function runsOutN(): float
    {
        $assist = $this->layout->assist;
        $left = 0.1 * $assist->areaCm2 * $this->vacuumKpa - max(0.0, $assist->jumpOutN - $assist->cutInN);

        return match (true) {
            $left <= 0.0 => $assist->cutInN,
            $assist->gain > 1.0 => $assist->cutInN + $left / ($assist->gain - 1.0),
            default => \INF,
        };
    }

    private function vacuumAt(float $t): float
    {
        return null === $this->start ? $this->vacuumKpa : $this->vacuumKpa * $this->start->share($t);
    }

    private function assistN(float $inN, float $vacuumKpa): float
    {
        $assist = $this->layout->assist;
        $byRatio = 0.0;
        if ($inN > $assist->cutInN) {
            // a step, and the gain from there on
            $jump = max(0.0, $assist->jumpOutN - $assist->cutInN);
            $byRatio = $jump + ($assist->gain - 1.0) * ($inN - $assist->cutInN);
        }

        return min($byRatio, 0.1 * $assist->areaCm2 * $vacuumKpa);
    }
}
