<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * One chamber and the tree of pipes behind it as packed arrays. Node 0 is the chamber; every other node
 * has its parent before it. Edge i joins node i to its parent.
 *
 * @internal
 */
final class Circuit
{
    public const G_CUP = 1.0; // mL/s/kPa, reservoir to chamber past the cup (handbook)
    public const G_PORT = 0.05; // mL/s/kPa, chamber to reservoir through the open port (handbook)
    public const G_OPENED = 1.0; // mL/s/kPa, a loosened joint (handbook)
    public const CUP_LIMIT_KPA = -10.0; // kPa; below it the piston waits for the cup (handbook)
    public const RETURN_MM_S = 62.0; // mm/s, both pistons on the way home (handbook)

    /**
     * A metering valve: from its opening on so many times the rise passes, until all does at METERED of it (estimate).
     * At rest it is open: what is drawn from the wheels below nothing passes.
     */
    public const METERING = 3.0;
    public const METERED = 1.5;
    /** An edge that lets less than this toward a wheel makes its circuit slow (mL/s/kPa; a sound hose lets 0.15). */
    private const SLOW = 3e-3;
    /** An edge that lets less than this either way, or a port that lets less than half of what it should, is narrow. */
    private const NARROW = 0.02;
    /** One that lets so many times more back than forward is a trap: a wheel emptied too far stays so. */
    private const TRAP = 100.0;

    /** Whether something in it fills slowly, and whether something in it lets go only, or keeps some back. */
    public bool $slow = false;
    public bool $trap = false;
    /** Whether its pressures come to rest within a breath: nothing leaks, no way is narrow or shut to one side. */
    public bool $quick;
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
    /** @var list<float> kPa below which a metering valve passes nothing, and from which it passes all */
    public array $meter = [];
    /** @var list<float> */
    public array $metered = [];
    /** @var list<float> kPa above which a valve of either kind changes what passes; INF where there is none */
    public array $bend = [];
    /** @var list<float> */
    public array $stiffness = [];
    /** @var array<int, float> */
    public array $clearance = [];
    /** @var array<int, float> */
    public array $springKpa = [];
    /** @var array<int, float> */
    public array $touchKpa = [];
    /** @var array<int, float> 1/kPa, its reciprocal */
    public array $yields = [];
    /** @var list<float> */
    public array $air = [];
    /** @var array<int, float> the nodes that hold air */
    public array $airy = [];
    /** @var array<int, float> the nodes that leak */
    public array $leaky = [];
    /** @var list<int> nodes that hang at the chamber */
    public array $fromChamber = [];
    /** @var list<float> */
    public array $leak = [];
    /** @var array<string, Friction> by corner id */
    public array $friction = [];
    /** @var array<int, float> kPa that valves on the way home keep in a wheel, by node */
    public array $kept = [];
    /** @var array<string, int> node of each corner's wheel */
    public array $wheelNode = [];
    /** @var list<int> nodes that take volume before they are hard: wheels, and the small chamber of a modulator */
    public array $soft = [];

    /**
     * @param float $bypassHard mL/s/kPa past the cup at any pressure
     * @param float $bypassLight mL/s/kPa more while it is pressed lightly
     */
    public function __construct(
        public readonly Piston $piston,
        public readonly float $bypassHard,
        public readonly float $bypassLight,
    ) {
        $this->quick = !$this->hasBypass() && $piston->portOpens() && $piston->portMlPerSKpa > 0.5 * self::G_PORT;
    }

    public function addNode(
        string $name,
        int $parent,
        Edge $edge,
        float $stiffness,
        float $air = 0.0,
        float $leak = 0.0,
    ): int {
        $this->names[] = $name;
        $this->parent[] = $parent;
        if (\count($this->names) > 1) {
            $this->slow = $this->slow || $edge->forward < self::SLOW;
            $isShut = 0.0 === $edge->forward && 0.0 === $edge->return;
            $isWide = min($edge->forward, $edge->return) > self::NARROW && 0.0 === $edge->holdKpa;
            $this->quick = $this->quick && ($isShut || $isWide);
            $this->trap = $this->trap || $edge->return > self::TRAP * $edge->forward || $edge->holdKpa > 0.0;
        }
        $this->forward[] = $edge->forward;
        $this->return[] = $edge->return;
        $this->hold[] = $edge->holdKpa;
        $this->knee[] = $edge->kneeKpa;
        $this->slope[] = $edge->slope;
        $this->meter[] = $edge->meterKpa;
        $this->metered[] = $edge->meterKpa > 0.0 ? self::METERED * $edge->meterKpa : -\INF;
        $this->bend[] = $edge->meterKpa > 0.0 ? 0.0 : $edge->kneeKpa;
        $this->stiffness[] = $stiffness;
        $this->clearance[] = 0.0;
        $this->springKpa[] = 0.0;
        $this->touchKpa[] = 1.0;
        $this->yields[] = 1.0;
        $this->air[] = $air;
        $this->leak[] = $leak;
        $node = \count($this->names) - 1;
        if ($air > 0.0) {
            $this->airy[$node] = $air;
        }
        if ($leak > 0.0) {
            $this->leaky[$node] = $leak;
            $this->quick = false;
        }
        if ($node > 0 && 0 === $parent) {
            $this->fromChamber[] = $node;
        }

        return $node;
    }

    public function makeWheel(
        int $node,
        string $corner,
        float $clearance,
        float $springKpa,
        float $touchKpa,
        Friction $friction,
    ): void {
        $this->makeSoft($node, $clearance, $springKpa, $touchKpa);
        $this->wheelNode[$corner] = $node;
        $this->kept[$node] = 0.0;
        for ($at = $node; $at > 0; $at = $this->parent[$at]) {
            $this->kept[$node] += $this->hold[$at];
        }
        $this->friction[$corner] = $friction;
    }

    /** A node that takes `$clearance` mL more before it is hard. */
    public function makeSoft(int $node, float $clearance, float $springKpa, float $touchKpa): void
    {
        $this->clearance[$node] = $clearance;
        $this->springKpa[$node] = $springKpa;
        $this->touchKpa[$node] = $touchKpa;
        $this->yields[$node] = 1.0 / $touchKpa;
        $this->soft[] = $node;
    }

    /** @throws \LogicException when the circuit has no such node */
    public function node(string $name): int
    {
        $node = array_search($name, $this->names, true);

        return \is_int($node)
            ? $node
            : throw new \LogicException(\sprintf('No node "%s" in the circuit of %s.', $name, $this->piston->chamber));
    }

    public function has(string $name): bool
    {
        return \in_array($name, $this->names, true);
    }

    /**
     * Volumes in mL of all nodes.
     *
     * @param array<int, float> $kpa
     *
     * @return array<int, float>
     */
    public function volumes(array $kpa): array
    {
        $volumes = $kpa;
        foreach ($this->stiffness as $node => $stiffness) {
            $volumes[$node] *= $stiffness;
        }
        foreach ($this->soft as $node) {
            $over = $kpa[$node] - $this->springKpa[$node];
            if ($over > -0.5) {
                $over = $over < 0.5 ? (($over + 0.5) * ($over + 0.5)) / 2.0 : $over;
                $volumes[$node] += $this->clearance[$node] * (1.0 - exp(-$over / $this->touchKpa[$node]));
            }
        }
        foreach ($this->airy as $node => $air) {
            $volumes[$node] += ($air * $kpa[$node]) / ($kpa[$node] + 101.0);
        }

        return $volumes;
    }

    /** Volume in mL that a node takes at a pressure in kPa, see `docs/hydraulics.md`, "The network". */
    public function volume(int $node, float $kpa): float
    {
        $over = $kpa - $this->springKpa[$node];
        $over = $over <= -0.5 ? 0.0 : ($over >= 0.5 ? $over : ($over + 0.5) ** 2 / 2.0);

        return $this->clearance[$node] * (1.0 - exp(-$over / $this->touchKpa[$node]))
            + $this->stiffness[$node] * $kpa
            + ($this->air[$node] * $kpa) / ($kpa + 101.0);
    }

    /** N·m at a wheel behind its valve, with the pedal held and the chamber at a pressure; without base drag. */
    public function heldTorqueNm(string $corner, float $kpa): float
    {
        for ($node = $this->wheelNode[$corner]; $node > 0; $node = $this->parent[$node]) {
            $kpa = $kpa < $this->metered[$node] ? self::METERING * max(0.0, $kpa - $this->meter[$node]) : $kpa;
            $kpa = min($kpa, $this->knee[$node] + $this->slope[$node] * max(0.0, $kpa - $this->knee[$node]));
        }
        $friction = $this->friction[$corner];
        $inner = $friction->inner(0.0, $kpa);

        return $friction->torqueNm($inner, $friction->outer(0.0, $inner));
    }

    public function hasBypass(): bool
    {
        return $this->bypassHard + $this->bypassLight > 0.0;
    }

    /** Whether anything is lost on the way: out of a node, or past the cup. */
    public function leaks(): bool
    {
        return [] !== $this->leaky || $this->hasBypass();
    }

    public function bypass(float $kpa): float
    {
        if ($this->bypassLight <= 0.0) {
            return $this->bypassHard * $kpa;
        }

        return ($this->bypassHard + $this->bypassLight * exp(-max(0.0, $kpa) / 500.0)) * $kpa;
    }

    /** All that decides the pressure of a node, as it is stored: what has the same bytes behaves alike. */
    public function nodePrint(int $node): string
    {
        return pack(
            'd*',
            $this->forward[$node],
            $this->return[$node],
            $this->hold[$node],
            $this->knee[$node],
            $this->slope[$node],
            $this->meter[$node],
            $this->stiffness[$node],
            $this->clearance[$node],
            $this->springKpa[$node],
            $this->touchKpa[$node],
            $this->air[$node],
            $this->leak[$node],
        );
    }

    /** Circuits with the same one have the same pressures: what rubs at a wheel changes none. */
    public function hydraulicPrint(): string
    {
        $whole = pack('n*', ...$this->parent).$this->piston->print().pack('d', $this->piston->strokeMl);
        foreach (array_keys($this->names) as $node) {
            $whole .= $this->nodePrint($node);
        }

        return hash('xxh128', $whole.pack('d*', $this->bypassHard, $this->bypassLight), true);
    }
}
