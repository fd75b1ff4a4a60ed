<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** One fault at one place with one severity: the smallest thing that is believed in. */
final readonly class Particle
{
    public SuspectAt $suspect;
    /** Hypotheses that the same repair cures. */
    public GroupAt $group;

    /** @param array<string, float> $severity value by axis, in the model's units */
    public function __construct(
        public Fault $fault,
        public Place $place,
        public array $severity,
        public float $weight,
        public Effects $effects,
    ) {
        $this->suspect = $fault->at($place);
        $this->group = $fault->cure->groupFor($place);
    }
}
