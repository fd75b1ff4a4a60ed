<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;
use Rodrel\Core\Vehicle\Lift;

/** The first look, in its order, as long as the vehicle stands for it. */
final readonly class FirstLook implements Rule
{
    /** Up to this turn a sheet that was left half filled is asked for again. */
    private const FILLED_UP = 3;

    public function decide(Standing $at): ?Decision
    {
        $first = null;
        foreach ($at->now->firstEpoch ? Standing::possible($at->onRoute()) : [] as $one) {
            $turn = $one->check->demand->turn->first;
            $here = $at->now->car->onGround() || Lift::Any === $one->check->demand->lift;
            $open = [] !== $at->now->open($one->check, $one->at);
            $half = null !== $turn && $turn <= self::FILLED_UP;
            $new = $open && (!$at->now->made($one->at) || $half) && $at->isFirst($one->check);
            if (null !== $turn && $new && $here && $turn < ($first?->check->demand->turn->first ?? \PHP_INT_MAX)) {
                $first = $one;
            }
        }

        return null === $first ? null : Decision::look($first, 'first-look');
    }
}
