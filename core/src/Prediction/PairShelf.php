<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Where the predictions of pairs are found. */
interface PairShelf
{
    /** Null where they are not there yet; then they have been ordered, if they can be. */
    public function pair(Layout $layout, SuspectAt $one, SuspectAt $other): ?FaultSignature;
}
