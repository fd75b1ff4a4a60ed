<?php

declare(strict_types=1);

namespace App\Repair;

/** The sheet of a repair: what to get ready, steps, photos. */
final readonly class RepairPage
{
    /**
     * @param list<array{id: string, label: string, count: int, done: bool}> $prepare
     * @param list<array<string, mixed>> $steps
     * @param array<string, list<array<string, mixed>>> $photos
     * @param string|null $reopen the entry that finished it, while it can be opened again
     * @param list<array{now: string, others: list<string>}> $ways what is left to the shop
     * @param list<string> $inspect
     * @param bool $down its wheels are worked at, and are on still
     * @param list<array{group: string, name: string}> $also what else the visit changes
     */
    public function __construct(
        public string $group,
        public string $title,
        public string $sentence,
        public string $sheet,
        public array $prepare,
        public bool $ready,
        public array $steps,
        public ?string $nextStep,
        public ?string $nextLabel,
        public ?string $nextAnchor,
        public array $photos,
        public array $ways,
        public bool $finished,
        public ?string $reopen,
        public bool $complete,
        public array $inspect,
        public bool $opens,
        public array $also,
        public bool $down,
    ) {
    }
}
