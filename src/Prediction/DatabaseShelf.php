<?php

declare(strict_types=1);

namespace App\Prediction;

use Rodrel\Core\Prediction\PairShelf;
use Rodrel\Core\Vehicle\Layout;

/** The pairs of one vehicle, and whether some were wanted that are not there yet. */
final class DatabaseShelf implements PairShelf
{
    public bool $complete = true;

    /** @param array<array-key, mixed> $document */
    public function __construct(private readonly StoredPairs $pairs, private readonly array $document)
    {
    }

    public function pairs(Layout $layout, array $couples): array
    {
        $found = $this->pairs->find($this->document, $layout, $couples);
        $this->complete = $this->complete && \count($found) === \count($couples);

        return $found;
    }
}
