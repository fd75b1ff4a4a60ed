<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Standing;

/** What splits the leading suspects, of what the complaint calls for; looks come before anything is opened there. */
final readonly class Split implements Rule
{
    /** So many acts lead somewhere, or more of them will not (estimate; 16 to 30). */
    private const ACTS = 24;

    public function decide(Standing $at): ?Decision
    {
        if ($at->passed() || $at->acts() >= self::ACTS) {
            return null;
        }
        $telling = array_values(array_filter(
            Standing::possible($at->onRoute()),
            static fn (Proposal $one): bool => $one->tellsEnough(),
        ));

        return [] === $telling ? null : Decision::look(LookFirst::before($telling[0], $at), 'best-split');
    }
}
