<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Lift;

/** What a check asks for before it can be made, and what it uses up. */
final readonly class Demand
{
    /**
     * @param float $minutes of the check alone
     * @param list<string> $gates safety gates by id, beside those that follow from the lift
     * @param list<string> $tools
     */
    private function __construct(
        public Lift $lift,
        public float $minutes,
        public array $gates,
        public array $tools,
        public int $consumablesCents,
        public Turn $turn,
        public Wake $wake,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->oneOf('state', Lift::class),
            $shape->positive('minutes'),
            $shape->texts('gates'),
            $shape->texts('tools'),
            (int) $shape->notNegative('consumables_cents', 0.0),
            Turn::fromShape($shape),
            Wake::fromShape($shape),
        );
    }
}
