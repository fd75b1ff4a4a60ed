<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Cures;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * All repairs by id, with the procedures they follow.
 *
 * @implements \IteratorAggregate<string, Repair>
 */
final readonly class Repairs implements Cures, \IteratorAggregate
{
    /**
     * @param array<string, Repair> $all
     * @param array<string, Procedure> $procedures
     * @param array<string, Surprise> $surprises what can be met on the way
     */
    public function __construct(
        public array $all,
        public array $procedures,
        public VisitSteps $visit,
        public array $surprises = [],
    ) {
    }

    /** @return array<string, Surprise> what can be met at a step */
    public function surprisesAt(string $step): array
    {
        return array_filter(
            $this->surprises,
            static fn (Surprise $one): bool => \in_array($step, $one->steps, true),
        );
    }

    /** @throws InvalidData when there is no such repair */
    public function of(GroupAt|string $group): Repair
    {
        $id = $group instanceof GroupAt ? $group->id : $group;

        return $this->all[$id] ?? throw InvalidData::at('/repair', \sprintf('there is no repair "%s"', $id));
    }

    public function procedureOf(GroupAt $group): Procedure
    {
        return $this->procedures[$this->of($group)->procedure];
    }

    /**
     * A step of any procedure.
     *
     * @throws InvalidData when there is none
     */
    public function step(string $id): Step
    {
        return $this->find($id) ?? throw InvalidData::at('/step', \sprintf('there is no step "%s"', $id));
    }

    /** What a step of any procedure asks to be typed; null for none. */
    public function asked(string $step): ?AskedFigure
    {
        return $this->find($step)?->figure;
    }

    private function find(string $id): ?Step
    {
        foreach ($this->procedures as $procedure) {
            foreach ($procedure->steps as $one) {
                if ($one->id === $id) {
                    return $one;
                }
            }
        }

        return null;
    }

    public function opensSystem(GroupAt $group): bool
    {
        return $this->of($group)->opening->system;
    }

    public function partsCents(GroupAt $group): float
    {
        return $this->of($group)->price->partsCents;
    }

    public function minutes(GroupAt $group): float
    {
        return $this->of($group)->price->minutes;
    }

    public function fluidMl(GroupAt $group): float
    {
        return $this->of($group)->price->fluidMl;
    }

    /** @return \ArrayIterator<string, Repair> */
    public function getIterator(): \ArrayIterator
    {
        return new \ArrayIterator($this->all);
    }
}
