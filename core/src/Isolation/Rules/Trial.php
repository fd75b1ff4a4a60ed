<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** Under the threshold with nothing left worth looking at: a trial repair, its odds said aloud. */
final readonly class Trial implements Rule
{
    /** Parts are never tried on less (handbook: one in two). */
    private const FROM = 0.5;
    /** A repair that needs none is, as soon as it stands out (share; estimate, 0.25 to 0.45). */
    private const WITHOUT_PARTS_FROM = 0.3;

    public function decide(Standing $at): ?Decision
    {
        $free = $at->belief->field->knowledge->cures->partsCents($at->group) <= 0.0;
        $from = $free ? self::WITHOUT_PARTS_FROM : self::FROM;
        if ('none' === $at->group->id || $at->mass < $from) {
            return null;
        }

        return Decision::repair($at->group, 'trial', ...Lacking::of($at));
    }
}
