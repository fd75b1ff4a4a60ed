<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** A foot on a pedal, with what the booster adds, at the master cylinder. */
final class PedalSource implements Source
{
    /** A pressure that differs by less so shortly before and after a moment has no corner there: s, kPa. */
    private const BESIDE_S = 1e-6;
    private const EVEN_KPA = 1e-9;

    /** The straight piece of the foot's way that was asked for last: from, newtons there, newtons per second, until. */
    private float $from = 0.0;
    private float $newtons = 0.0;
    private float $perS = 0.0;
    private float $until = -\INF;

    /** @var list<float> forces at which the booster's slope changes, N */
    private readonly array $bends;

    public function __construct(private readonly Foot $foot, private readonly Booster $booster)
    {
        $this->bends = $booster->bendsAtN();
    }

    public function kpa(float $t, float $givenMl): float
    {
        if ($t > $this->until || $t < $this->from) {
            [$this->from, $this->newtons, $this->perS, $this->until] = $this->foot->piece($t);
        }

        return $this->booster->chamberKpa($this->newtons + $this->perS * ($t - $this->from), $t);
    }

    public function nextCorner(float $t): float
    {
        do {
            $next = min($this->foot->nextCorner($t), $this->booster->nextCorner($t));
            foreach ($this->bends as $newtons) {
                $next = min($next, $this->foot->nextPassing($t, $newtons));
            }
            $t = $next;
        } while ($t < \INF && $this->isEven($t));

        return $t;
    }

    /** Whether nothing comes of a corner: a foot within the play of the booster, or on a rod that its valve holds. */
    private function isEven(float $t): bool
    {
        $kpa = $this->kpa($t, 0.0);

        return abs($this->kpa($t - self::BESIDE_S, 0.0) - $kpa) < self::EVEN_KPA
            && abs($this->kpa($t + self::BESIDE_S, 0.0) - $kpa) < self::EVEN_KPA;
    }
}
