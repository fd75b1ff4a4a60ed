<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;

/** A repair as data: what lies ready before anything is opened, then the steps in order. */
final readonly class Procedure
{
    /**
     * @param list<array{id: string, count: int, for: list<string>, not: list<string>}> $prepare for and not: kinds of
     *     part
     * @param non-empty-list<Step> $steps
     * @param list<string> $inspect what to look at while it is open
     * @param bool $eachWheel of an axle: one set of steps a wheel
     * @param bool $afterAll once everything is closed again
     */
    private function __construct(
        public string $id,
        public array $prepare,
        public array $steps,
        public array $inspect,
        public bool $eachWheel,
        public bool $afterAll,
    ) {
    }

    /** @throws InvalidData */
    public static function fromShape(string $id, Shape $shape): self
    {
        $prepare = [];
        foreach ($shape->each('prepare') as $item) {
            $prepare[] = [
                'id' => $item->text('id'),
                'count' => (int) $item->number('count', 1.0),
                'for' => $item->texts('for_part'),
                'not' => $item->texts('not_for_part'),
            ];
        }
        $steps = array_values(array_map(Step::fromShape(...), $shape->each('steps')));
        if ([] === $steps) {
            throw $shape->wrong('steps', 'at least one step is expected');
        }

        return new self(
            $id,
            $prepare,
            $steps,
            $shape->texts('inspect'),
            $shape->flag('each_wheel'),
            $shape->flag('after_all'),
        );
    }

    /** @return list<array{id: string, count: int}> what lies ready for a kind of part; '' where none was chosen */
    public function readyFor(string $part): array
    {
        $own = array_filter($this->prepare, static fn (array $item): bool => !\in_array($part, $item['not'], true)
            && ([] === $item['for'] || \in_array($part, $item['for'], true)));

        return array_values(array_map(
            static fn (array $item): array => ['id' => $item['id'], 'count' => $item['count']],
            $own,
        ));
    }

    /** @return list<string> the schools' ways of doing it; empty where there is one way */
    public function ways(): array
    {
        return array_values(
            array_unique(
                array_filter(
                    array_map(static fn (Step $step): ?string => $step->way, $this->steps),
                    static fn (?string $way): bool => null !== $way,
                ),
            ),
        );
    }

    public function step(string $id): Step
    {
        foreach ($this->steps as $step) {
            if ($step->id === $id) {
                return $step;
            }
        }
        throw InvalidData::at('/step', \sprintf('procedure "%s" has no step "%s"', $this->id, $id));
    }
}
