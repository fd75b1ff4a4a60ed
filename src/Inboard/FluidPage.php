<?php

declare(strict_types=1);

namespace App\Inboard;

/** The reservoir's ledger. */
final readonly class FluidPage
{
    /**
     * @param list<array<string, mixed>> $chambers
     * @param list<array{at: \DateTimeImmutable, level: string, wet: string}> $looks
     * @param list<array{at: \DateTimeImmutable, fluid: string, lot: string}> $bottles
     * @param list<array<string, mixed>> $ways
     * @param array{check: string, name: string}|null $next
     */
    public function __construct(
        public array $chambers,
        public array $looks,
        public array $bottles,
        public array $ways,
        public ?array $next,
        public string $said,
    ) {
    }
}
