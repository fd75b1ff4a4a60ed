<?php

declare(strict_types=1);

namespace Rodrel\Core\Model;

/** The friction band between piston force and lining force at one wheel, and the torque that follows. */
final readonly class Friction
{
    /** b in the drum's self-energising factor, k the measure of the drum (handbook: factor 2.4 at μ 0.38). */
    private const DRUM_B = 1.25;
    private const DRUM_K = 2.445;
    private const DRUM_FACTOR_CAP = 6.0;

    public function __construct(
        public bool $disc,
        public float $areaCm2,
        public float $springN,
        public float $applyN,
        public float $holdN,
        public float $pinsN,
        public float $frictionFactor,
        public float $radiusM,
        public float $extraDragNm,
    ) {
    }

    /** N ← max(0, min(max(N, F − F_apply), F + F_hold)) with F = 0.1 p A − F_spring. */
    public function inner(float $before, float $kpa): float
    {
        $force = 0.1 * $kpa * $this->areaCm2 - $this->springN;

        return max(0.0, min(max($before, $force - $this->applyN), $force + $this->holdN));
    }

    /** The outer pad follows the inner one through the guide pins' own band. */
    public function outer(float $before, float $inner): float
    {
        return max(0.0, min(max($before, $inner - $this->pinsN), $inner + $this->pinsN));
    }

    /** Disc: μ r (N_inner + N_outer). Drum: k (μ/(1−bμ) + μ/(1+bμ)) N r, factor capped. In N·m, without base drag. */
    public function torqueNm(float $innerN, float $outerN): float
    {
        $mu = $this->frictionFactor;
        if ($this->disc) {
            return $mu * $this->radiusM * ($innerN + $outerN) + $this->extraDragNm;
        }
        $self = self::DRUM_B * $mu;
        $factor = $self < 0.99 ? self::DRUM_K * ($mu / (1.0 - $self) + $mu / (1.0 + $self)) : self::DRUM_FACTOR_CAP;

        return min($factor, self::DRUM_FACTOR_CAP) * $innerN * $this->radiusM + $this->extraDragNm;
    }
}
