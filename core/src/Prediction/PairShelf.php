<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Where the predictions of pairs are found. */
interface PairShelf
{
    /**
     * @param array<string, array{SuspectAt, SuspectAt}> $couples by both names
     *
     * @return array<string, FaultSignature> those that are there; the others have been ordered, if they can be
     */
    public function pairs(Layout $layout, array $couples): array;
}
