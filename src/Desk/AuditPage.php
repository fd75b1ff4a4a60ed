<?php

declare(strict_types=1);

namespace App\Desk;

/** Decisions that let something through, the newest first. */
final readonly class AuditPage
{
    /**
     * @param list<array{
     *     at: \DateTimeImmutable, who: string, what: string, why: string, unit: string, job: string
     * }> $lines
     */
    public function __construct(public array $lines)
    {
    }
}
