<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * One repair sheet for all that a visit changes. What every part asks for is made once: preparation is counted
 * together, shared steps are merged, every joint is opened once and as late as its neighbours allow, a drum is put
 * together before the other one is stripped, wheels come last. A step is named by what is done and where (`banjo@lf`),
 * so that a tick stays when a line is added or taken out; at the finding's own place by what is done alone.
 */
final readonly class Sheet
{
    /**
     * @param non-empty-list<GroupAt> $groups the finding's first
     * @param array<string, string> $parts kind of part by group
     * @param list<array{id: string, count: int}> $prepare
     * @param list<SheetStep> $steps in order
     * @param list<string> $inspect what to look at while it is open
     */
    private function __construct(
        public array $groups,
        public array $parts,
        public array $prepare,
        public array $steps,
        public array $inspect,
    ) {
    }

    /**
     * @param non-empty-list<GroupAt> $groups the finding's first
     * @param array<string, string> $parts kind of part by group: new, exchange, rebuild, used
     */
    public static function of(Repairs $repairs, Layout $layout, array $groups, array $parts = []): self
    {
        $steps = self::counted((new Composing($repairs, $layout, $groups, $parts))->steps());

        return new self($groups, $parts, self::prepared($repairs, $groups, $parts, $steps), $steps, array_values(
            array_unique(array_merge(...array_map(
                static fn (GroupAt $group): array => $repairs->procedureOf($group)->inspect,
                $groups,
            ))),
        ));
    }

    /** @throws InvalidData when the sheet has no such step */
    public function step(string $name): Step
    {
        return $this->find($name)
            ?? throw InvalidData::at('/step', \sprintf('the repair sheet has no step "%s"', $name));
    }

    /** The step of a name; null where the sheet has none. */
    public function find(string $name): ?Step
    {
        foreach ($this->steps as $step) {
            if (null !== $step->placeOf($name)) {
                return $step->step;
            }
        }

        return null;
    }

    /** The same visit without one of its lines; the finding's own stays. */
    public function without(Repairs $repairs, Layout $layout, GroupAt $line): self
    {
        $left = array_filter(
            $this->groups,
            fn (GroupAt $one): bool => !$one->is($line) || $one->is($this->groups[0]),
        );

        return self::of($repairs, $layout, [] === $left ? $this->groups : array_values($left), $this->parts);
    }

    public function takesWheelsOff(): bool
    {
        return [] !== array_filter($this->steps, static fn (SheetStep $one): bool => $one->step->last);
    }

    /** @return list<string> the schools' ways that its steps leave; empty where there is one way */
    public function ways(): array
    {
        $ways = array_map(static fn (SheetStep $one): ?string => $one->step->way, $this->steps);

        return array_values(array_unique(array_filter($ways, is_string(...))));
    }

    /** Whether any of its lines opens the system. */
    public function opens(Repairs $repairs): bool
    {
        return [] !== array_filter($this->groups, $repairs->opensSystem(...));
    }

    /**
     * What is brought back at the end is all that was used of it on the way.
     *
     * @param list<SheetStep> $steps
     *
     * @return list<SheetStep>
     */
    private static function counted(array $steps): array
    {
        $used = self::used($steps);

        return array_map(static fn (SheetStep $one): SheetStep => isset($used[$one->step->returns])
            ? $one->counting($used[$one->step->returns])
            : $one, $steps);
    }

    /**
     * @param list<SheetStep> $steps
     *
     * @return array<string, int> how many of each thing the steps use
     */
    private static function used(array $steps): array
    {
        $used = [];
        foreach ($steps as $line) {
            if ('' !== $line->step->uses) {
                $used[$line->step->uses] = ($used[$line->step->uses] ?? 0) + ($line->count ?? 1);
            }
        }

        return $used;
    }

    /**
     * What the steps use is counted by them, so that a joint that two lines share has its washers once; other parts and
     * consumables are counted by line, tools once.
     *
     * @param non-empty-list<GroupAt> $groups
     * @param array<string, string> $parts
     * @param list<SheetStep> $steps
     *
     * @return list<array{id: string, count: int}>
     */
    private static function prepared(Repairs $repairs, array $groups, array $parts, array $steps): array
    {
        $used = self::used($steps);
        $counts = [];
        foreach ($groups as $group) {
            $procedure = $repairs->procedureOf($group);
            foreach ($procedure->readyFor($parts[(string) $group] ?? '') as ['id' => $id, 'count' => $count]) {
                $counts[$id] = \in_array($id, $repairs->visit->tools, true)
                    ? max($counts[$id] ?? 0, $count)
                    : ($counts[$id] ?? 0) + $count;
            }
        }

        return array_map(
            static fn (string $id): array => ['id' => $id, 'count' => $used[$id] ?? $counts[$id]],
            array_map(strval(...), array_keys($counts)),
        );
    }
}
