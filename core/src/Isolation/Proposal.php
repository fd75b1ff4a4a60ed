<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;

/** A check that could be made now: what it would teach, what it costs, what stands before it. */
final readonly class Proposal
{
    /**
     * @param list<Branch> $fork        likeliest first
     * @param float        $bits        expected information
     * @param float        $savingCents expected saving
     * @param float        $minutes     of the check and the state change before it
     * @param float        $score       worth per minute, minor units
     * @param list<Gate>   $gates       closed ones
     */
    public function __construct(
        public Check $check,
        public string $place,
        public array $fork,
        public float $bits,
        public float $savingCents,
        public float $minutes,
        public float $score,
        public array $gates,
    ) {
    }

    public function id(): string
    {
        return $this->check->at($this->place);
    }
}
