<?php

declare(strict_types=1);

namespace App\Bench;

/** A round on one sheet: what is answered on the way, and what is folded away. */
final readonly class RoundPage
{
    /**
     * @param string $round id
     * @param list<array<string, mixed>> $stops one a check, in the order of the walk
     * @param list<array<string, mixed>> $folded could be looked at too
     * @param string $decides between which repairs; '' where nothing says
     * @param array<string, mixed> $drawing
     * @param list<array<string, mixed>> $gates what stands before it
     * @param string $proof path of the proof that it is a part of; '' where it is none
     * @param string $back its own path
     * @param string|null $learned what the round before it changed
     */
    public function __construct(
        public string $round,
        public string $name,
        public ?int $minutes,
        public array $stops,
        public array $folded,
        public string $decides,
        public array $drawing,
        public array $gates,
        public string $back,
        public string $proof,
        public ?string $learned,
    ) {
    }
}
