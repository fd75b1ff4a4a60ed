<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** Nothing is left: not shown today, with what to note. A serious complaint stays, and what one tool would tell is said. */
final readonly class NotShown implements Rule
{
    public function decide(Standing $at): ?Decision
    {
        return Decision::end($at->route->serious ? 'stays' : 'not-shown', ...Lacking::of($at));
    }
}
