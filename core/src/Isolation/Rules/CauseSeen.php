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
    /** Below that it does where it needs repair anyway and is what the driver speaks of (estimates). */
    private const STANDS_OUT = 0.2;
    private const NEEDS = 0.6;
    private const SAID = 1.5;
    private const IS_THERE = 0.8;
    private const JUST_SAID = 3.0;
    private const LEADS = 0.4;

    public function decide(Standing $at): ?Decision
    {
        foreach ($at->sightings() as $seen) {
            if ($seen->isCause() && $this->fits($at, $seen) && !$this->isLiquidOpen($at, $seen)) {
                return Decision::repair($seen->group, 'seen');
            }
        }

        return null;
    }

    private function fits(Standing $at, Sighted $seen): bool
    {
        $said = $at->belief->fitsWhatWasSaid($seen->group);
        if (!$seen->sighting->isHard()) {
            // what needs repair anyway, leads, and is just what the driver speaks of
            $speaks = $seen->sighting->isThere() >= self::IS_THERE
                && $said >= self::JUST_SAID
                && $seen->explains >= self::LEADS;

            return $at->group->is($seen->group) && ($speaks || $seen->explains >= self::FITS_FELT);
        }

        return ($at->group->is($seen->group) && $seen->explains >= self::FITS)
            || ($seen->explains >= self::STANDS_OUT && $seen->needs >= self::NEEDS && $said >= self::SAID);
    }

    /** Something is wet there and nobody has said with what. */
    private function isLiquidOpen(Standing $at, Sighted $seen): bool
    {
        return \in_array($seen->word, ['wet', 'fluid'], true) && [] !== $at->open(['liquid']);
    }
}
