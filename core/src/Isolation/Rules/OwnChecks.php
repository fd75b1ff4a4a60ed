<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** While everything is sound: the complaint's own checks in their order, after a repair once more. */
final readonly class OwnChecks implements Rule
{
    public function decide(Standing $at): ?Decision
    {
        if ([] === $at->troubles || $at->looksOver() || $at->passed() || !$at->isAllSound()) {
            return null;
        }
        $own = $at->open($at->route->own);

        return [] === $own ? null : Decision::look($own[0], $at->now->firstEpoch ? 'opening' : 'after-repair');
    }
}
