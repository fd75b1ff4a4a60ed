<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Model\Effects;
use Rodrel\Core\Vehicle\Corner;

/** One fault at one place with one severity: the smallest thing that is believed in. */
final readonly class Particle
{
    public function __construct(
        public Fault $fault,
        public string $place,
        /** @var array<string, float> value by axis, in the model's units */
        public array $severity,
        public float $weight,
        public Effects $effects,
    ) {
    }

    /** `hose.one-way@lf` */
    public function suspect(): string
    {
        return $this->fault->id.'@'.$this->place;
    }

    /** `hose@lf`: hypotheses that the same repair cures. */
    public function group(): string
    {
        $place = $this->fault->repairPlace ?? $this->place;
        if ('axle' === $place) {
            $place = true === Corner::tryFrom($this->place)?->isFront() ? 'front' : 'rear';
        }

        return $this->fault->repair.'@'.$place;
    }
}
