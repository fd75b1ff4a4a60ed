<?php

declare(strict_types=1);

namespace Rodrel\Core\Model;

/**
 * One chamber and the tree of pipes behind it as packed arrays. Node 0 is the chamber; every other node
 * has its parent before it. Edge i joins node i to its parent.
 *
 * @internal
 */
final class Circuit
{
    public const G_CUP = 1.0;      // mL/s/kPa, reservoir to chamber past the cup (handbook)
    public const G_PORT = 0.05;    // mL/s/kPa, chamber to reservoir through the open port (handbook)
    public const G_OPENED = 1.0;   // mL/s/kPa, a loosened joint (handbook)
    public const CUP_LIMIT_KPA = -10.0;
    public const RETURN_MM_S = 62.0;

    /** @var list<string> */
    public array $names = [];
    /** @var list<int> */
    public array $parent = [];
    /** @var list<float> */
    public array $forward = [];
    /** @var list<float> */
    public array $return = [];
    /** @var list<float> */
    public array $hold = [];
    /** @var list<float> */
    public array $knee = [];
    /** @var list<float> */
    public array $slope = [];
    /** @var list<float> */
    public array $stiffness = [];
    /** @var array<int, float> */
    public array $clearance = [];
    /** @var array<int, float> */
    public array $springKpa = [];
    /** @var array<int, float> */
    public array $touchKpa = [];
    /** @var list<float> */
    public array $air = [];
    /** @var list<float> */
    public array $leak = [];
    /** @var array<string, Friction> by corner id */
    public array $friction = [];
    /** @var array<string, int> node of each corner's wheel */
    public array $wheelNode = [];

    public function __construct(
        public readonly string $chamber,
        public readonly float $strokeMl,
        public readonly float $restMl,
        public readonly float $startMl,
        public readonly float $bypassHard,
        public readonly float $bypassLight,
        public readonly float $returnMlPerS,
        public readonly float $portMlPerSKpa = self::G_PORT,
    ) {
    }

    /** @param array{gf: float, gr: float, hold?: float, knee?: float, slope?: float} $edge */
    public function addNode(string $name, int $parent, array $edge, float $stiffness, float $air = 0.0, float $leak = 0.0): int
    {
        $this->names[] = $name;
        $this->parent[] = $parent;
        $this->forward[] = $edge['gf'];
        $this->return[] = $edge['gr'];
        $this->hold[] = $edge['hold'] ?? 0.0;
        $this->knee[] = $edge['knee'] ?? \INF;
        $this->slope[] = $edge['slope'] ?? 1.0;
        $this->stiffness[] = $stiffness;
        $this->clearance[] = 0.0;
        $this->springKpa[] = 0.0;
        $this->touchKpa[] = 1.0;
        $this->air[] = $air;
        $this->leak[] = $leak;

        return \count($this->names) - 1;
    }

    public function makeWheel(int $node, string $corner, float $clearance, float $springKpa, float $touchKpa, Friction $friction): void
    {
        $this->clearance[$node] = $clearance;
        $this->springKpa[$node] = $springKpa;
        $this->touchKpa[$node] = $touchKpa;
        $this->wheelNode[$corner] = $node;
        $this->friction[$corner] = $friction;
    }

    /** @throws \LogicException when the circuit has no such node */
    public function node(string $name): int
    {
        $node = array_search($name, $this->names, true);

        return \is_int($node) ? $node : throw new \LogicException(\sprintf('No node "%s" in the circuit of %s.', $name, $this->chamber));
    }

    public function has(string $name): bool
    {
        return \in_array($name, $this->names, true);
    }

    /** Volume in mL that a node takes at a pressure in kPa, see `docs/hydraulics.md`, "The network". */
    public function volume(int $node, float $kpa): float
    {
        $over = $kpa - $this->springKpa[$node];
        $over = $over <= -0.5 ? 0.0 : ($over >= 0.5 ? $over : ($over + 0.5) ** 2 / 2.0);

        return $this->clearance[$node] * (1.0 - exp(-$over / $this->touchKpa[$node]))
            + $this->stiffness[$node] * $kpa + $this->air[$node] * $kpa / ($kpa + 101.0);
    }

    /** Fluid that warms in the line can leave by the port: it is there and the piston has cleared it. */
    public function portOpens(): bool
    {
        return $this->restMl <= 0.0 && $this->startMl <= 0.0 && $this->portMlPerSKpa > 0.0;
    }

    public function bypass(float $kpa): float
    {
        return ($this->bypassHard + $this->bypassLight * exp(-max(0.0, $kpa) / 500.0)) * $kpa;
    }

    /** The same for pressures alone: what rubs at a wheel changes no pressure. */
    public function hydraulicPrint(): string
    {
        $bare = clone $this;
        $bare->friction = [];

        return $bare->fingerprint();
    }

    /** Equal circuits behave equally: a key for sharing results. */
    public function fingerprint(): string
    {
        return hash('xxh128', serialize($this));
    }
}
