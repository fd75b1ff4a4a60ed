<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** How checks are held against each other; the benchmark compares them. */
enum Scoring: string
{
    /** Worth over the minutes of the check and the way to it. */
    case PerMinute = 'per-minute';
    /** Net worth of going to a station: the check and what else can be done there, over all their minutes. */
    case Ahead = 'ahead';
    /** Information over the minutes, none shorter than a floor. */
    case Bits = 'bits';
}
