<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What keeps the output rod forward with nobody at the pedal: a valve that holds on, or a rod that is too long. */
final readonly class HeldRod
{
    /**
     * @param float $stuckN by a valve that holds on, while there is vacuum
     * @param float $stuckUntil second at which the vacuum behind that valve is gone
     * @param float $preloadN by a rod that is too long, vacuum or none
     */
    public function __construct(
        public float $stuckN = 0.0,
        public float $stuckUntil = \INF,
        public float $preloadN = 0.0,
    ) {
    }

    /** N with which it is held at a moment. */
    public function newtons(bool $vacuum, float $t): float
    {
        return max($vacuum && $t < $this->stuckUntil ? $this->stuckN : 0.0, $this->preloadN);
    }

    /** The moment after `$t` at which a stuck valve lets go; INF when there is none. */
    public function nextCorner(float $t): float
    {
        return $this->stuckN > 0.0 && $this->stuckUntil > $t + 1e-9 ? $this->stuckUntil : \INF;
    }
}
