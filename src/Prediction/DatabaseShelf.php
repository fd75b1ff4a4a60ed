<?php

declare(strict_types=1);

namespace App\Prediction;

use Rodrel\Core\Prediction\PairShelf;
use Rodrel\Core\Vehicle\Layout;

/** The pairs of one vehicle, and which were wanted that are not there yet. */
final class DatabaseShelf implements PairShelf
{
    /** @var list<string> keys of those that the worker is asked for */
    public array $missing = [];

    /** @param array<array-key, mixed> $document */
    public function __construct(private readonly StoredPairs $pairs, private readonly array $document)
    {
    }

    public function pairs(Layout $layout, array $couples): array
    {
        [$found, $missing] = $this->pairs->find($this->document, $layout, $couples);
        array_push($this->missing, ...$missing);

        return $found;
    }
}
