<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Shape;

/** A number that is typed: what it measures, the unit of the field, and what is believed without asking again. */
final readonly class Typed
{
    private function __construct(public Quantity $quantity, public Unit $unit, public float $least, public float $most)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $quantity = $shape->oneOf('quantity', Quantity::class);
        $unit = $shape->oneOf('unit', Unit::class);
        if ($unit->quantity() !== $quantity) {
            $shape->miss('unit', \sprintf('%s is no unit of %s', $unit->value, $quantity->value));
        }
        $plausible = $shape->numbers('plausible');
        if (2 !== \count($plausible) || $plausible[0] >= $plausible[1]) {
            $shape->miss('plausible', 'a lowest and a highest number in the core\'s unit are expected');
            $plausible = [0.0, 1.0];
        }

        return new self($quantity, $unit, $plausible[0], $plausible[1]);
    }

    public function isPlausible(float $core): bool
    {
        return $core >= $this->least && $core <= $this->most;
    }
}
