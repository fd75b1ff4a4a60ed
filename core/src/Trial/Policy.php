<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/** Who decides what to look at next; all of them stop by the same rule. */
interface Policy
{
    public static function id(): string;

    /** The next check; null where nothing is left to do. */
    public function next(Play $play, Verdict $verdict): ?CheckAt;
}
