<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** One check of somebody's way through a job, against what was known at that moment. */
final readonly class Move
{
    /**
     * @param string $check at its place
     * @param float $minutes of the check and the way to it
     * @param string $leader repair group that led before it
     * @param float $leads belief in it then
     * @param float $truthBefore belief in the repair that cures it
     * @param float $bits what the check was expected to tell then
     * @param string $best what would have been worth most instead; '' for none
     * @param float $lostCents expected worth of that, less the worth of what was done; nought where it was as good, or
     *     where nobody calls such a look a waste
     */
    public function __construct(
        public string $check,
        public float $minutes,
        public string $leader,
        public float $leads,
        public float $truthBefore,
        public float $truthAfter,
        public float $bits,
        public string $best,
        public float $bestBits,
        public float $bestMinutes,
        public float $lostCents,
    ) {
    }

    /** @return array<mixed> its fields by name */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
