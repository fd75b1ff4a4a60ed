<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * A circuit without its names: two whose forms have the same print behave alike, as a fault at the left wheel does
 * like its mirror at the right one, as long as neither piston gets to its bottom. The order says which node is which.
 *
 * @internal
 */
final readonly class CircuitForm
{
    /**
     * @param list<int> $order the nodes as they come when branches are sorted by what they are
     * @param array<int, string> $corners of the nodes that are wheels
     */
    private function __construct(public string $print, private array $order, private array $corners)
    {
    }

    public static function of(Circuit $circuit): self
    {
        $branches = array_fill(0, \count($circuit->names), []);
        $prints = [];
        $corners = array_flip($circuit->wheelNode);
        for ($node = \count($circuit->names) - 1; $node >= 0; --$node) {
            usort($branches[$node], static fn (int $a, int $b): int => [$prints[$a], $a] <=> [$prints[$b], $b]);
            $print = $circuit->nodePrint($node);
            if (isset($corners[$node])) {
                $print .= $circuit->friction[$corners[$node]]->print();
            }
            foreach ($branches[$node] as $branch) {
                $print .= $prints[$branch];
            }
            $prints[$node] = hash('xxh128', $print, true);
            if ($node > 0) {
                $branches[$circuit->parent[$node]][] = $node;
            }
        }
        $order = [];
        $waiting = [0];
        while ([] !== $waiting) {
            $order[] = $node = array_pop($waiting);
            array_push($waiting, ...array_reverse($branches[$node]));
        }
        $whole = $prints[0].$circuit->piston->print().pack('d*', $circuit->bypassHard, $circuit->bypassLight);

        return new self(hash('xxh128', $whole, true), $order, $corners);
    }

    /** Where a node stands among circuits of this form. */
    public function position(int $node): int
    {
        return (int) array_search($node, $this->order, true);
    }

    /** Whether a state of the other circuit is one of this as it stands. */
    public function isOrderedLike(self $other): bool
    {
        return $other->order === $this->order && $other->corners === $this->corners;
    }

    /** A state of another circuit of this form, told of this one. */
    public function told(CircuitState $state, self $of): CircuitState
    {
        $told = clone $state;
        $inner = $outer = [];
        foreach ($this->order as $position => $node) {
            $told->kpa[$node] = $state->kpa[$of->order[$position]];
            if (isset($this->corners[$node])) {
                $corner = $of->corners[$of->order[$position]];
                $inner[$this->corners[$node]] = $state->inner[$corner];
                $outer[$this->corners[$node]] = $state->outer[$corner];
            }
        }
        $told->inner = $inner;
        $told->outer = $outer;

        return $told;
    }
}
