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
    ) {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        $bleeds = $shape->text('bleeds');
        if (!\in_array($bleeds, ['none', 'place', 'all'], true)) {
            throw $shape->wrong('bleeds', 'none, place or all is expected');
        }

        return new self($id, (int) $shape->number('parts_cents'), $shape->number('minutes'), $shape->number('fluid_ml'), $shape->flag('opens'), $shape->text('procedure'), $bleeds);
    }

    /** Parts, labour and fluid in minor units. */
    public function costCents(float $rateCentsPerMinute, float $fluidCentsPerMl): float
    {
        return $this->partsCents + $this->minutes * $rateCentsPerMinute + $this->fluidMl * $fluidCentsPerMl;
    }
}
