<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** Everything is sound where it was looked at: the complaint is tried under its own conditions. */
final readonly class TriedItself implements Rule
{
    public function decide(Standing $at): ?Decision
    {
        if ([] === $at->troubles || $at->looksOver() || $at->passed() || !$at->isAllSound() || $at->route->serious) {
            return null;
        }
        $tried = $at->open($at->route->tried);

        return [] === $tried ? null : Decision::look($tried[0], 'tried');
    }
}
