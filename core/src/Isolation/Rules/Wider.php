<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** Nothing that the complaint calls for tells anything more: other checks, as long as what they tell apart is likely
 * and nothing is opened for it. */
final readonly class Wider implements Rule
{
    /** So many acts lead somewhere, or more of them will not (estimate; 12 to 24). */
    private const ACTS = 18;
    /** A suspect that may be tried is not looked past (belief; handbook). */
    private const ENOUGH = 0.5;
    /** What moves less of the belief is far-fetched here (share; estimate). */
    private const MOVES = 0.05;

    public function decide(Standing $at): ?Decision
    {
        if ($at->passed() || $at->acts() >= self::ACTS || $at->mass >= self::ENOUGH) {
            return null;
        }
        foreach (Standing::possible($at->everything()) as $one) {
            $wake = $one->check->demand->wake;
            $harmless = null === $wake->opens && null === $wake->apart && !$wake->eases;
            if ($harmless && $one->tellsEnough() && $one->worth->moved >= self::MOVES) {
                return Decision::look($one, 'wider');
            }
        }

        return null;
    }
}
