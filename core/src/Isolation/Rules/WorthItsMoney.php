<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** Past the threshold money alone decides: what a slip would cost against what it takes to find it. */
final readonly class WorthItsMoney implements Rule
{
    /** What no check of its own confirmed wants so much belief while anything else is worth looking at (estimate). */
    private const UNCONFIRMED_FROM = 0.97;
    /** So many acts lead somewhere (estimate; 12 to 24). */
    private const ACTS = 18;

    public function decide(Standing $at): ?Decision
    {
        if (!$at->passed() || $at->acts() >= self::ACTS) {
            return null;
        }
        $sure = $at->proof->given || !$at->proof->wanted;
        foreach (Standing::possible($at->onRoute()) as $one) {
            $costs = $one->worth->minutes * $at->settings->labour->rateCentsPerMinute;
            $unsure = !$sure && $at->mass < self::UNCONFIRMED_FROM;
            if ($one->tellsEnough() && ($unsure || $one->worth->savingCents > $costs)) {
                return Decision::opening($one, 'best-split', $at);
            }
        }

        return null;
    }
}
