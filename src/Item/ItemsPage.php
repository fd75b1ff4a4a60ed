<?php

declare(strict_types=1);

namespace App\Item;

/** Open items of a job. */
final readonly class ItemsPage
{
    /**
     * @param list<array{id: string, text: string, due: string, safety: bool, at: \DateTimeImmutable}> $items
     */
    public function __construct(
        public array $items,
    ) {
    }
}
