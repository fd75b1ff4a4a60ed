<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** What a repair typically costs and opens; figures are typical until the shop types its own. */
final readonly class Repair
{
    private function __construct(
        public string $id,
        public int $partsCents,
        public float $minutes,
        public float $fluidMl,
        public bool $opensSystem,
        public string $procedure,
        public string $bleeds,
        public bool $pair,
        /** @var list<array{part: string, chance: float, parts_cents: float, minutes: float, seen: array{check: string, row: string, word: string}|null}> */
        public array $scope,
        /** @var array<string, PartOption> */
        public array $options,
    ) {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        $bleeds = $shape->text('bleeds');
        if (!\in_array($bleeds, ['none', 'place', 'all'], true)) {
            throw $shape->wrong('bleeds', 'none, place or all is expected');
        }

        $scope = $options = [];
        foreach ($shape->each('scope') as $extra) {
            $seen = $extra->has('seen') ? ['check' => $extra->in('seen')->text('check'), 'row' => $extra->in('seen')->text('row'), 'word' => $extra->in('seen')->text('word')] : null;
            $scope[] = ['part' => $extra->text('part'), 'chance' => $extra->number('chance'), 'parts_cents' => $extra->number('parts_cents'), 'minutes' => $extra->number('minutes'), 'seen' => $seen];
        }
        foreach ($shape->each('options') as $kind => $option) {
            $options[$kind] = PartOption::fromShape($kind, $option);
        }

        return new self($id, (int) $shape->number('parts_cents'), $shape->number('minutes'), $shape->number('fluid_ml'), $shape->flag('opens'), $shape->text('procedure'), $bleeds, $shape->flag('pair'), $scope, $options);
    }

    /** Parts, labour and fluid in minor units. */
    public function costCents(float $rateCentsPerMinute, float $fluidCentsPerMl): float
    {
        return $this->partsCents + $this->minutes * $rateCentsPerMinute + $this->fluidMl * $fluidCentsPerMl;
    }
}
