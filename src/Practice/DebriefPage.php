<?php

declare(strict_types=1);

namespace App\Practice;

/** What it had, how it was found, and what would have told more. */
final readonly class DebriefPage
{
    /**
     * @param string $had one sentence
     * @param string $verdict one sentence: repaired rightly, wrongly first, or not at all
     * @param list<array{name: string, minutes: int, checks: int, said: string}> $paths one's own first
     * @param list<string> $costly two sentences a move
     * @param list<array{name: string, minutes: int, before: float, after: float, told: string}> $moves
     * @param list<array{d: string, name: string}> $lines of belief in the truth over the minutes, one's own
     */
    public function __construct(
        public string $had,
        public string $verdict,
        public bool $right,
        public int $forced,
        public float $wrongCents,
        public array $paths,
        public array $costly,
        public array $moves,
        public array $lines,
    ) {
    }
}
