<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Standing;

/**
 * The complaint's own checks are sound, it was tried, nothing was seen, and it is none of the serious ones: not shown
 * today. What cannot be looked at here was not seen to be sound. A search that found nothing does not go on by taking a
 * vehicle apart.
 */
final readonly class LetGo implements Rule
{
    private const LOOK = 'look';
    /** One look may have missed it: so much belief that nothing is wrong, or so many acts (estimates). */
    private const BELIEVED = 0.25;
    private const ACTS = 14;

    public function decide(Standing $at): ?Decision
    {
        $hunted = [] === $at->troubles || $at->looksOver() || $at->route->serious || $at->passed()
            || !$at->isAllSound() || $at->now->lacks([self::LOOK, ...$at->route->own]);
        if ($hunted || [] === $at->now->readings || !$this->isSeen($at)) {
            return null;
        }
        $nothing = $at->belief->group(Field::NOTHING);
        if ($nothing < self::BELIEVED && $at->acts() < self::ACTS) {
            return null;
        }

        return Decision::end('not-shown');
    }

    /** Level, wet places and lamps were looked at. */
    private function isSeen(Standing $at): bool
    {
        return [] === $at->open([self::LOOK]);
    }
}
