<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * Where one circuit stands: pressures, piston, lining forces and the volume ledger. Changed only by the
 * solver; `clone` it to branch.
 *
 * @internal
 */
final class CircuitState
{
    public float $t = 0.0;
    public float $leakedMl = 0.0;
    public float $caughtMl = 0.0;
    /** Net volume taken from the reservoir. */
    public float $drawnMl = 0.0;
    /** The farthest that the piston has been. */
    public float $farthestMl = 0.0;
    public string $mode = 'rest';
    /** @var list<array<string, float>>|null kPa by corner where one turned or was sampled, if it is to be replayed */
    public ?array $trace = null;

    /**
     * @param array<int, float> $kpa by node
     * @param array<string, float> $inner N by corner
     * @param array<string, float> $outer N by corner
     */
    public function __construct(public array $kpa, public float $pistonMl, public array $inner, public array $outer)
    {
    }

    public static function atRest(Circuit $circuit): self
    {
        $zero = array_map(static fn (): float => 0.0, $circuit->wheelNode);

        return new self(array_fill(0, \count($circuit->names), 0.0), $circuit->piston->startMl, $zero, $zero);
    }

    public function wheelKpa(Circuit $circuit, string $corner): float
    {
        return $this->kpa[$circuit->wheelNode[$corner]];
    }

    /** Torque in N·m without the base drag of a sound brake. */
    public function torqueNm(Circuit $circuit, string $corner): float
    {
        return $circuit->friction[$corner]->torqueNm($this->inner[$corner], $this->outer[$corner]);
    }

    /** Lines + leaked + caught − piston displacement − drawn: constant for ever, see the ledger law. */
    public function ledgerMl(Circuit $circuit): float
    {
        $sum = $this->leakedMl + $this->caughtMl - $this->pistonMl - $this->drawnMl;
        foreach ($this->kpa as $node => $kpa) {
            $sum += $circuit->volume($node, $kpa);
        }

        return $sum;
    }
}
