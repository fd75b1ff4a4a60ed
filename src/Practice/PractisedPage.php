<?php

declare(strict_types=1);

namespace App\Practice;

/** What one person has practised. */
final readonly class PractisedPage
{
    /**
     * @param list<array{
     *     id: string, at: \DateTimeImmutable, own: bool, had: string, right: bool, wrong: int, minutes: int,
     *     rodrel: int
     * }> $rows the newest first
     * @param int $right repaired rightly the first time
     * @param int $wrong repairs carried out for nothing
     * @param float|null $ratio one's own minutes against the advice's, the middle of the right ones
     */
    public function __construct(
        public array $rows,
        public int $jobs,
        public int $right,
        public int $wrong,
        public ?float $ratio,
    ) {
    }
}
