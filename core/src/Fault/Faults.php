<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * All faults by id.
 *
 * @implements \IteratorAggregate<string, Fault>
 */
final readonly class Faults implements \IteratorAggregate, \Countable
{
    /** @param array<string, Fault> $all */
    public function __construct(public array $all)
    {
    }

    /** @throws InvalidData when there is no such fault */
    public function of(SuspectAt|string $suspect): Fault
    {
        $id = $suspect instanceof SuspectAt ? $suspect->id : $suspect;

        return $this->all[$id] ?? throw InvalidData::at('/fault', \sprintf('there is no fault "%s"', $id));
    }

    /**
     * Every repair that a vehicle can need, whatever is believed of it: what may be signed.
     *
     * @return array<string, GroupAt> by its name
     */
    public function repairsIn(Layout $layout): array
    {
        $groups = [];
        foreach ($this->all as $fault) {
            foreach ($fault->places->in($layout) as $place) {
                $group = $fault->cure->groupFor($place);
                $groups[(string) $group] = $group;
            }
        }

        return $groups;
    }

    /** @return \ArrayIterator<string, Fault> */
    public function getIterator(): \ArrayIterator
    {
        return new \ArrayIterator($this->all);
    }

    public function count(): int
    {
        return \count($this->all);
    }
}
