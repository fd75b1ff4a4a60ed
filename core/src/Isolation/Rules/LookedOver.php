<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;
use Rodrel\Core\Vocabulary\Corner;

/** Nobody complains: what is looked at then, in its order, and no hunt. */
final readonly class LookedOver implements Rule
{
    public function decide(Standing $at): ?Decision
    {
        if (!$at->looksOver() || $at->passed()) {
            return null;
        }
        $order = $at->belief->field->knowledge->condition;
        $first = null;
        $turn = \PHP_INT_MAX;
        foreach (Standing::possible($at->everything()) as $one) {
            $place = array_search($one->check->id, $order, true);
            // wheel by wheel, always from the same one
            $corner = (int) array_search($one->at->place->corner(), Corner::cases(), true);
            $mine = false === $place ? \PHP_INT_MAX : \count(Corner::cases()) * $place + $corner;
            if ($mine < $turn && $one->isPossible()) {
                [$first, $turn] = [$one, $mine];
            }
        }

        return null === $first ? Decision::end('condition') : Decision::look($first, 'condition');
    }
}
