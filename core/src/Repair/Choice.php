<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** One answer to a question of schools, and what it does. */
final readonly class Choice
{
    /**
     * @param string|null $bleedOrder id of an order of bleeding
     * @param bool $pairs axles are done as pairs where that can be done
     * @param array<string, string> $ways way by what it is a way of: a procedure, what holds the fluid
     * @param array<string, list<string>> $with parts changed along with a repair in any case
     */
    private function __construct(
        public ?string $bleedOrder,
        public bool $pairs,
        public array $ways,
        public array $with,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $ways = $with = [];
        foreach ($shape->in('way')->keys() as $procedure) {
            $ways[$procedure] = $shape->in('way')->text($procedure);
        }
        foreach ($shape->in('with')->keys() as $repair) {
            $with[$repair] = $shape->in('with')->texts($repair);
        }

        return new self($shape->optionalText('bleed_order'), $shape->flag('pairs'), $ways, $with);
    }
}
