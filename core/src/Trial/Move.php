<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** One check of somebody's way through a job, against what was known at that moment. */
final readonly class Move
{
    /**
     * @param Question|null $best what would have been worth most instead; null for nothing
     * @param string $leader repair group that led before it
     * @param float $leads belief in it then
     * @param float $truthBefore belief in the repair that cures it
     * @param float $lostCents expected worth of what was best, less the worth of what was done; nought where it was as
     *     good, or where nobody calls such a look a waste
     */
    public function __construct(
        public Question $mine,
        public ?Question $best,
        public string $leader,
        public float $leads,
        public float $truthBefore,
        public float $truthAfter,
        public float $lostCents,
    ) {
    }

    /** @return array<string, float|string> flat, for JSON */
    public function toArray(): array
    {
        return [
            'check' => $this->mine->check,
            'minutes' => $this->mine->minutes,
            'bits' => $this->mine->bits,
            'best' => $this->best->check ?? '',
            'bestMinutes' => $this->best->minutes ?? 0.0,
            'leader' => $this->leader,
            'leads' => $this->leads,
            'truthBefore' => $this->truthBefore,
            'truthAfter' => $this->truthAfter,
            'lostCents' => $this->lostCents,
        ];
    }
}
