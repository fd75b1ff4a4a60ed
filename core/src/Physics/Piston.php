<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * One piston of the master: how far it goes, where it stops on the way home, and its port.
 *
 * @internal
 */
final readonly class Piston
{
    /**
     * @param string $chamber id of the chamber
     * @param float $strokeMl to its bottom
     * @param float $restMl short of home
     * @param float $startMl before the first press
     * @param float $returnMlPerS speed home
     * @param float $portMlPerSKpa through the open port
     */
    public function __construct(
        public string $chamber,
        public float $strokeMl,
        public float $restMl,
        public float $startMl,
        public float $returnMlPerS,
        public float $portMlPerSKpa = Circuit::G_PORT,
    ) {
    }

    /** Fluid that warms in the line can leave by the port: it is there and the piston has cleared it. */
    public function portOpens(): bool
    {
        return $this->restMl <= 0.0 && $this->startMl <= 0.0 && $this->portMlPerSKpa > 0.0;
    }

    /** What it does short of its bottom, without its name. */
    public function print(): string
    {
        return pack('d*', $this->restMl, $this->startMl, $this->returnMlPerS, $this->portMlPerSKpa);
    }
}
