<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * Knows the fault and every answer beforehand, and still has to show it under the same gates: of what may be made it
 * takes what brings the true repair furthest for its minutes. A bound that nobody reaches.
 */
final readonly class Clairvoyant implements Policy
{
    public static function id(): string
    {
        return 'clairvoyant';
    }

    public function next(Play $play, Verdict $verdict): ?CheckAt
    {
        $truth = $play->vehicle->cures();
        if (\in_array($verdict->reason, ['confirm', 'repeat'], true)) {
            return $verdict->next?->at;
        }
        $now = self::odds($play, $truth, null);
        $best = null;
        $most = -\INF;
        foreach ($play->possible() as $at) {
            $gain = (self::odds($play, $truth, $at) - $now) / max(1.0, $play->minutesOf($at));
            if ($gain > $most) {
                [$best, $most] = [$at, $gain];
            }
        }

        return $best;
    }

    /** @param list<string> $truth */
    private static function odds(Play $play, array $truth, ?CheckAt $also): float
    {
        $belief = null === $also ? $play->diagnosis()->belief : $play->imagine($also);
        $mass = max(0.0, ...array_map(static fn (string $group): float => $belief->group($group), $truth));

        return log(max($mass, 1e-9) / max(1.0 - $mass, 1e-9));
    }
}
