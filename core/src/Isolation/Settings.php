<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** The shop's figures that weigh a check against a repair. Money in minor units. */
final readonly class Settings
{
    /**
     * @param array<string, array{parts_cents?: float, minutes?: float}> $prices the shop's own, by repair id
     * @param list<string>|null                                          $tools  what the shop has; null when that was never said
     */
    private function __construct(
        public float $rateCentsPerMinute,
        public float $fluidCentsPerMl,
        public float $threshold,
        public float $secondFault,
        public float $secondFaultAfterRepair,
        public float $raiseMinutes,
        public float $wheelsOffMinutes,
        public float $bleedMinutes,
        public float $confirmAboveCents,
        public array $prices,
        public ?array $tools,
    ) {
    }

    /**
     * @param list<string> $wanted
     *
     * @return list<string>
     */
    public function missingTools(array $wanted): array
    {
        return null === $this->tools ? [] : array_values(array_diff($wanted, $this->tools));
    }

    public static function fromShape(Shape $shape): self
    {
        $threshold = $shape->number('threshold');
        if ($threshold <= 0.5 || $threshold >= 1.0) {
            throw $shape->wrong('threshold', 'a number between 0.5 and 1 is expected');
        }
        $prices = [];
        foreach ($shape->each('prices') as $repair => $price) {
            $prices[$repair] = $price->numberMapSelf();
        }

        return new self(
            $shape->number('rate_cents_per_hour') / 60.0,
            $shape->number('fluid_cents_per_litre') / 1000.0,
            $threshold,
            $shape->number('second_fault'),
            $shape->number('second_fault_after_repair'),
            $shape->number('raise_minutes'),
            $shape->number('wheels_off_minutes'),
            $shape->number('bleed_minutes'),
            $shape->number('confirm_above_cents'),
            $prices,
            $shape->has('tools') ? $shape->texts('tools') : null,
        );
    }
}
