<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/** Any check that may be made now. */
final readonly class AtRandom implements Policy
{
    public static function id(): string
    {
        return 'random';
    }

    public function next(Play $play, Verdict $verdict): ?CheckAt
    {
        $possible = $play->possible();
        $at = (int) (Luck::about($play->acts, $play->vehicle->print())->share() * \count($possible));

        return $possible[$at] ?? null;
    }
}
