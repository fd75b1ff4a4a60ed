<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** A finding: its belief has passed the shop's threshold, and nothing is left that is worth its minutes. */
final readonly class Signed implements Rule
{
    public function decide(Standing $at): ?Decision
    {
        if (!$at->passed()) {
            return null;
        }
        $sure = $at->proof->given || !$at->proof->wanted;

        return Decision::repair($at->group, $sure ? 'threshold' : 'open-and-look');
    }
}
