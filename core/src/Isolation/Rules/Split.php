<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** What splits the leading suspects, of what the complaint calls for; looks come before anything is opened there, and
 * what has to be made before a check that tells comes before it. */
final readonly class Split implements Rule
{
    /** So many acts lead somewhere, or more of them will not (estimate; 16 to 30). */
    private const ACTS = 24;

    public function decide(Standing $at): ?Decision
    {
        if ($at->passed() || $at->acts() >= self::ACTS) {
            return null;
        }
        foreach ($at->onRoute() as $one) {
            if ($one->tellsEnough()) {
                $now = $one->isPossible(true) ? $one : $at->opener($one);
                if (null !== $now) {
                    return Decision::opening($now, 'best-split', $at);
                }
            }
        }

        return null;
    }
}
