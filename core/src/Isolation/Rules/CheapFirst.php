<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Standing;

/** Before a dear part is named, or the system opened: the complaint's own looks that cost next to nothing. */
final readonly class CheapFirst implements Rule
{
    /** So long with the way there (min; estimate, 3 to 6). */
    private const MINUTES = 5.0;
    /** What is confirmed and believed so much wants no other look (belief; estimate). */
    private const SURE = 0.95;

    public function decide(Standing $at): ?Decision
    {
        if (!$at->passed() || !$at->proof->wanted || ($at->proof->given && $at->mass >= self::SURE)) {
            return null;
        }
        $cheap = array_filter(
            $at->open($at->route->own),
            static fn (Proposal $one): bool => $one->worth->minutes <= self::MINUTES
                && null === $one->check->demand->wake->opens
                && null === $one->check->demand->wake->apart,
        );

        return [] === $cheap ? null : Decision::look(reset($cheap), 'cheap-first');
    }
}
