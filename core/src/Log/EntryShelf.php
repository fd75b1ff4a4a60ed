<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Log\Payload\Payload;

/** Where entries stand, for Entries alone: it only ever grows at its end. */
final class EntryShelf
{
    /** @var list<Entry<Payload>> */
    public array $all = [];
    /** @var array<string, list<Entry<Payload>>> */
    public array $byKind = [];
    /** @var array<string, int> number in the list by id */
    public array $at = [];

    /** @param list<Entry<Payload>> $all */
    public function __construct(array $all = [])
    {
        $this->add($all);
    }

    /** @param list<Entry<Payload>> $more */
    public function add(array $more): void
    {
        foreach ($more as $entry) {
            $this->at[$entry->id] = \count($this->all);
            $this->all[] = $entry;
            $this->byKind[$entry->kind->value][] = $entry;
        }
    }
}
