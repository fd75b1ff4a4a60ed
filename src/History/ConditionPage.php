<?php

declare(strict_types=1);

namespace App\History;

/** A vehicle looked over, on one page. */
final readonly class ConditionPage
{
    /**
     * @param array<string, list<array<string, mixed>>> $lines by how soon
     * @param list<string> $refused
     * @param float $sum of what is due now and soon, minor units
     */
    public function __construct(
        public array $lines,
        public array $refused,
        public float $sum,
        public int $minutesLeft,
    ) {
    }
}
