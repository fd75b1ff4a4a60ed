<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

/** One gate of the proof run and how it stands. */
final readonly class Criterion
{
    public const OPEN = 'open';
    public const PASSED = 'passed';
    public const FAILED = 'failed';
    public const WAIVED = 'waived';

    /**
     * @param string       $status   one of the constants
     * @param string|null  $check    the check that answers it, null when it is computed from the repair sheet
     * @param list<string> $missing  what is still wanting or wrong: rows, steps
     * @param bool         $standing belongs to the part before any wheel turns on the road
     */
    public function __construct(
        public string $id,
        public string $status,
        public ?string $check,
        public array $missing,
        public bool $standing,
        public ?string $reason = null,
    ) {
    }

    public function isSettled(): bool
    {
        return self::PASSED === $this->status || self::WAIVED === $this->status;
    }
}
