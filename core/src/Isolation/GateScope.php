<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Lift;

/**
 * Which checks a gate stands before: those that name it, those from a lift on, those for which the pedal is pressed or
 * the vehicle stands on its wheels, or those that come after another one.
 */
final readonly class GateScope
{
    private function __construct(
        private ?Lift $fromLift,
        private bool $after,
        private bool $pressing,
        private bool $opening,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->has('from_lift') ? $shape->oneOf('from_lift', Lift::class) : null,
            $shape->flag('after_another'),
            $shape->flag('pressing'),
            $shape->flag('opening'),
        );
    }

    public function isBefore(Check $check, string $gate): bool
    {
        return \in_array($gate, $check->demand->gates, true)
            || (null !== $this->fromLift && $check->demand->lift->level() >= $this->fromLift->level())
            || ($this->pressing && ($check->manner->presses() || Lift::Ground === $check->demand->lift))
            || ($this->opening && (null !== $check->demand->wake->opens || $check->demand->wake->eases))
            || ($this->after && null !== $check->demand->turn->after);
    }
}
