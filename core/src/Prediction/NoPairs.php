<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;

/** An empty shelf: two faults at once are "a second fault" only. */
final readonly class NoPairs implements PairShelf
{
    public function pair(Layout $layout, SuspectAt $one, SuspectAt $other): ?FaultSignature
    {
        return null;
    }
}
