<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Check\Observer\Sighting;
use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** What was seen wrong in itself is put right, whether or not it made the complaint. */
final readonly class SeenAtLeast implements Rule
{
    /** It needs repair, rather than not (belief; estimate). */
    private const NEEDS = 0.6;
    /** And may have made the complaint (belief; estimate). */
    private const EXPLAINS = 0.1;

    public function decide(Standing $at): ?Decision
    {
        foreach ($at->sightings() as $seen) {
            $graded = Sighting::GRADED === $seen->sighting->as;
            $own = $seen->isCause() || $at->group->is($seen->group);
            if (!$graded && $own && $seen->needs >= self::NEEDS && $seen->explains >= self::EXPLAINS) {
                return Decision::repair($seen->group, 'seen');
            }
        }

        return null;
    }
}
