<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** Nothing is left: not shown today. A serious complaint stays; what one tool would tell is said. */
final readonly class NotShown implements Rule
{
    public function decide(Standing $at): Decision
    {
        return Decision::end($at->route->serious || $this->isShown($at) ? 'stays' : 'not-shown', ...Lacking::of($at));
    }

    /** The complaint was shown under its own conditions: nobody says that it was not. */
    private function isShown(Standing $at): bool
    {
        if ([] !== $at->now->held($at->belief->field->knowledge->checks)) {
            return true;
        }
        foreach ($at->now->readings as $reading) {
            if (\in_array($reading->check->id, $at->route->tried, true) && $at->isOdd($reading)) {
                return true;
            }
        }

        return false;
    }
}
