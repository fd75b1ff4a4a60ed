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
    /** Where "nothing wrong" leads, so much: or it is only on the repair list (belief; estimate, 0.2 to 0.4). */
    private const EXPLAINS_MORE = 0.3;

    public function decide(Standing $at): ?Decision
    {
        $from = 'none' === $at->group->id ? self::EXPLAINS_MORE : self::EXPLAINS;
        foreach ($at->sightings() as $seen) {
            $graded = Sighting::GRADED === $seen->sighting->as;
            $own = $seen->isCause() || $at->group->is($seen->group);
            if (!$graded && $own && $seen->needs >= self::NEEDS && $seen->explains >= $from) {
                return Decision::repair($seen->group, 'seen');
            }
        }

        return null;
    }
}
