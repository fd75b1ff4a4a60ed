<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** What a probe is asked for: where, with which foot, with which parameters. */
final readonly class Asked
{
    /** The foot of a check that names none: a firm press with the engine on (handbook). */
    private const FOOT_N = 150.0;
    private const HOLD_S = 3.0;

    private function __construct(
        public Place $place,
        private ?Corner $wheel,
        public float $footN,
        public float $holdS,
        public With $with,
    ) {
    }

    public static function of(Check $check, Place $place, Row $row): self
    {
        return new self(
            $place,
            $row->corner ?? $place->corner(),
            $check->manner->footN ?? self::FOOT_N,
            $check->manner->holdS ?? self::HOLD_S,
            $row->observer->with(),
        );
    }

    /** The same probe without a check, at the usual foot. */
    public static function plainly(Place $place, ?Corner $corner, With $with): self
    {
        return new self($place, $corner ?? $place->corner(), self::FOOT_N, self::HOLD_S, $with);
    }

    /** The wheel that is looked at. */
    public function corner(): Corner
    {
        return $this->wheel ?? throw new \LogicException('A checked catalogue asks this probe at a wheel.');
    }

    /** Where the answer is read: the row's wheel, or the place of the check. */
    public function spot(): Place
    {
        return null !== $this->wheel ? Place::at($this->wheel) : $this->place;
    }
}
