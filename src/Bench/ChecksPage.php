<?php

declare(strict_types=1);

namespace App\Bench;

/** All checks, or those that a search found. */
final readonly class ChecksPage
{
    /**
     * @param array<string, non-empty-list<array{
     *     id: string, name: string, minutes: int, made: bool, closed: bool
     * }>> $found by where the vehicle stands
     */
    public function __construct(
        public array $found,
        public string $words,
    ) {
    }
}
