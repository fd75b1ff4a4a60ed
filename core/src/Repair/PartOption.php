<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** New, exchange, rebuilt or used: what each really costs when coming back is counted. Money in minor units. */
final readonly class PartOption
{
    /**
     * @param array{parts: float, core: float} $cents the part, and what is given back for the old one
     * @param string|null $notIf a look that forbids it: `pitted` where the surface the seal runs on is
     */
    private function __construct(
        public string $kind,
        public array $cents,
        public float $extraMinutes,
        public float $leadDays,
        public float $warrantyMonths,
        public float $returnChance,
        public ?string $notIf,
    ) {
    }

    public static function fromShape(string $kind, Shape $shape): self
    {
        return new self(
            $kind,
            ['parts' => $shape->number('parts_cents'), 'core' => $shape->number('core_cents', 0.0)],
            $shape->number('minutes', 0.0),
            $shape->number('lead_days'),
            $shape->number('warranty_months'),
            $shape->number('return_chance'),
            $shape->has('not_if') ? $shape->text('not_if') : null,
        );
    }

    /**
     * Part, its own minutes, and the chance that all of it is done again: parts + t·rate + p·(parts + (t + T)·rate).
     */
    public function expectedCents(float $jobMinutes, float $rateCentsPerMinute): float
    {
        $own = $this->cents['parts'] + ($this->extraMinutes + $jobMinutes) * $rateCentsPerMinute;

        return $own + $this->returnChance * $own;
    }
}
