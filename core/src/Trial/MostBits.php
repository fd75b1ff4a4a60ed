<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Planner;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/** The most information a minute, and nothing else. */
final readonly class MostBits implements Policy
{
    public static function id(): string
    {
        return 'most-bits';
    }

    public function next(Play $play, Verdict $verdict): ?CheckAt
    {
        $planner = new Planner($play->diagnosis()->belief, $play->vehicle->visit()->settings);
        $best = null;
        $most = 0.0;
        foreach ($planner->rank($play->state()->situation, static fn (): bool => true) as $proposal) {
            $bits = $proposal->worth->bits / $proposal->worth->minutes;
            if ($proposal->isPossible() && $bits > $most) {
                [$best, $most] = [$proposal->at, $bits];
            }
        }

        return $best;
    }
}
