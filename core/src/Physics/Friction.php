<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** The friction band between piston force and lining force at one wheel, and the torque that follows. */
final readonly class Friction
{
    /** b in the drum's self-energising factor (handbook). */
    private const DRUM_B = 1.25;
    /** k, the measure of the drum: factor 2.4 at μ 0.38 (handbook). */
    private const DRUM_K = 2.445;
    /** A simplex drum grabs no harder than this (handbook). */
    private const DRUM_FACTOR_CAP = 6.0;

    /** @param float $springN that draws the shoes home */
    public function __construct(
        public float $areaCm2,
        public float $springN,
        public Band $band,
        public Rubbing $rubbing,
    ) {
    }

    /** All of it, as it is stored. */
    public function print(): string
    {
        return pack(
            'd*',
            $this->areaCm2,
            $this->springN,
            $this->band->applyN,
            $this->band->holdN,
            $this->band->pinsN,
            $this->rubbing->disc,
            $this->rubbing->friction,
            $this->rubbing->radiusM,
            $this->rubbing->extraDragNm,
        );
    }

    /** N ← max(0, min(max(N, F − F_apply), F + F_hold)) with F = 0.1 p A − F_spring. */
    public function inner(float $before, float $kpa): float
    {
        $force = 0.1 * $kpa * $this->areaCm2 - $this->springN;

        return self::within($before, $force - $this->band->applyN, $force + $this->band->holdN);
    }

    /** The outer pad follows the inner one through the guide pins' own band. */
    public function outer(float $before, float $inner): float
    {
        return self::within($before, $inner - $this->band->pinsN, $inner + $this->band->pinsN);
    }

    /** What follows between two bounds, and never pulls. A hot path: comparisons, no calls. */
    private static function within(float $before, float $least, float $most): float
    {
        $after = $before > $least ? $before : $least;
        $after = $after < $most ? $after : $most;

        return $after > 0.0 ? $after : 0.0;
    }

    /** Disc: μ r (N_inner + N_outer). Drum: k (μ/(1−bμ) + μ/(1+bμ)) N r, factor capped. In N·m, without base drag. */
    public function torqueNm(float $innerN, float $outerN): float
    {
        $mu = $this->rubbing->friction;
        if ($this->rubbing->disc) {
            return $mu * $this->rubbing->radiusM * ($innerN + $outerN) + $this->rubbing->extraDragNm;
        }
        $self = self::DRUM_B * $mu;
        $factor = $self < 0.99 ? self::DRUM_K * ($mu / (1.0 - $self) + $mu / (1.0 + $self)) : self::DRUM_FACTOR_CAP;

        return min($factor, self::DRUM_FACTOR_CAP) * $innerN * $this->rubbing->radiusM + $this->rubbing->extraDragNm;
    }
}
