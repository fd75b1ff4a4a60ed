<?php

declare(strict_types=1);

namespace App\Bench;

use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Proof\Criterion;

/** The bench: what to do next, why, and what is believed. */
final readonly class BenchPage
{
    /**
     * @param array<string, mixed>|null $next
     * @param list<array<string, mixed>> $gates what stands before it, where its answer is one tap
     * @param list<array{name: string, asked: bool, check: string}> $again
     * @param list<array<string, mixed>> $others
     * @param list<array{id: string, name: string, minutes: int}> $alongside
     * @param list<string> $odd readings that speak against the leader all the same
     * @param list<array{name: string, mass: float}> $pairs two faults at once
     * @param bool $condition looked over without a complaint
     * @param bool $stays it may not leave although nothing was shown
     * @param list<array{what: string, name: string, minutes: int}> $apart
     * @param array<string, mixed> $drawing
     * @param list<array<string, mixed>> $suspects
     * @param list<array{name: string, by: string}> $struck
     * @param list<array<string, mixed>> $trail
     * @param array{int, int}|null $computing
     * @param list<array{id: string, name: string}> $early
     * @param array{name: string, minutes: int, stops: list<string>, decides: string}|null $walk the round to walk now
     * @param list<string> $common
     * @param list<array{name: string, seen: string}> $needing what was seen and needs repair, cause or not
     */
    public function __construct(
        public ?array $next,
        public array $gates,
        public ?string $reason,
        public ?string $repair,
        public array $again,
        public array $others,
        public array $alongside,
        public array $odd,
        public array $pairs,
        public bool $stays,
        public bool $condition,
        public array $apart,
        public array $drawing,
        public array $suspects,
        public ?float $second,
        public array $struck,
        public bool $recomputed,
        public array $trail,
        public ?string $learned,
        public ?array $computing,
        public array $early,
        public Gate $road,
        public string $roadCheck,
        public string $lift,
        public string $trace,
        public ?array $walk,
        public array $common,
        public array $needing,
        public ?Criterion $failed,
        public int $asleep,
    ) {
    }
}
