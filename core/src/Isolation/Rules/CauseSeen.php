<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Sighted;
use Rodrel\Core\Isolation\Standing;

/** A cause was seen, touched or measured in itself, and it fits what the driver said: then there is no second look, and
 * nothing is put together to confirm it. */
final readonly class CauseSeen implements Rule
{
    /** What is hard to mistake explains the complaint from here on (belief; estimate, 0.5 to 0.7). */
    private const FITS = 0.55;
    /** What is felt, and found on good vehicles too, from here on (belief; estimate, 0.7 to 0.9). */
    private const FITS_FELT = 0.8;

    public function decide(Standing $at): ?Decision
    {
        foreach ($at->sightings() as $seen) {
            $fits = $seen->explains >= ($seen->sighting->isHard() ? self::FITS : self::FITS_FELT);
            if ($seen->isCause() && $fits && $at->group->is($seen->group) && !$this->isLiquidOpen($at, $seen)) {
                return Decision::repair($seen->group, 'seen');
            }
        }

        return null;
    }

    /** Something is wet there and nobody has said with what. */
    private function isLiquidOpen(Standing $at, Sighted $seen): bool
    {
        return \in_array($seen->word, ['wet', 'fluid'], true) && [] !== $at->open(['liquid']);
    }
}
