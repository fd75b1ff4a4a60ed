<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * What joins a node to the one before it: conductance toward the wheel and back, what it keeps back, and where a valve
 * begins to hold.
 *
 * @internal
 */
final readonly class Edge
{
    /**
     * @param float $forward mL/s/kPa
     * @param float $return mL/s/kPa
     * @param float $holdKpa that it keeps back
     * @param float $kneeKpa above it only $slope of the rest passes
     * @param float $meterKpa below it nothing passes toward the wheel, from half as much again all; 0: passes at once
     */
    public function __construct(
        public float $forward,
        public float $return,
        public float $holdKpa = 0.0,
        public float $kneeKpa = \INF,
        public float $slope = 1.0,
        public float $meterKpa = 0.0,
    ) {
    }

    public static function none(): self
    {
        return new self(0.0, 0.0);
    }

    public function behind(float $kneeKpa, float $slope): self
    {
        return new self($this->forward, $this->return, $this->holdKpa, $kneeKpa, $slope, $this->meterKpa);
    }

    public function metered(float $openKpa): self
    {
        return new self($this->forward, $this->return, $this->holdKpa, $this->kneeKpa, $this->slope, $openKpa);
    }
}
