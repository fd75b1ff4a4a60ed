<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Which reading is worth taking once more: one slip may be behind all that is believed. */
final readonly class TakenAgain
{
    /** A reading that moves more of the belief than this is worth taking twice (share; estimate). */
    private const TELLS = 0.2;
    /** Worth of a reading taken again against the same taken first: part of its error comes again (estimate). */
    private const AGAIN = 0.5;
    /**
     * Only so many of the readings, the quickest, are thought of for that, and none that takes longer (min; estimate).
     */
    private const SOONER = 8;
    private const CHEAP_MINUTES = 6.0;

    /**
     * Nothing else is worth looking at and no suspect stands out: one slip may be behind it. The reading that decides
     * most is taken again, once.
     */
    public static function mostTelling(Belief $belief, Situation $now): ?Reading
    {
        $most = null;
        $telling = self::TELLS;
        foreach ($belief->readings as $n => $reading) {
            $check = $belief->field->knowledge->checks->of($reading->check);
            if ($reading->bearsAnother() && $check->canBeRepeated($now->car->drivenIn)) {
                $moved = self::moves($belief, $n);
                if ($moved > $telling) {
                    [$most, $telling] = [$reading, $moved];
                }
            }
        }

        return $most;
    }

    /**
     * A reading that much rests on and that tells more in its time than what is left to look at is taken again before
     * that, once.
     */
    public static function sooner(Belief $belief, Situation $now, Planner $planner, Proposal $best): ?Proposal
    {
        $checks = $belief->field->knowledge->checks;
        $once = array_filter(
            $belief->readings,
            static fn (Reading $reading): bool => $reading->bearsAnother()
                && $checks->of($reading->check)->canBeRepeated($now->car->drivenIn),
        );
        uasort($once, static fn (Reading $a, Reading $b): int => $checks->of($a->check)->demand->minutes
            <=> $checks->of($b->check)->demand->minutes);
        $likely = [];
        foreach (\array_slice($once, 0, self::SOONER, true) as $n => $reading) {
            $check = $checks->of($reading->check);
            if ($check->demand->minutes <= self::CHEAP_MINUTES) {
                $again = $planner->alone($planner->weigh($check, $reading->check->place, $now));
                if ($again->isPossible() && self::AGAIN * $again->worth->score > $best->worth->score) {
                    $likely[$n] = $again;
                }
            }
        }
        uasort($likely, static fn (Proposal $a, Proposal $b): int => $b->worth->score <=> $a->worth->score);
        foreach ($likely as $n => $again) {
            if (self::moves($belief, $n) > self::TELLS) {
                return $again;
            }
        }

        return null;
    }

    /** How much of the belief rests on one reading (share). */
    private static function moves(Belief $belief, int $n): float
    {
        $moved = 0.0;
        foreach ($belief->groupsWithout($n) as $group => $mass) {
            $moved += 0.5 * abs($mass - $belief->group($group));
        }

        return $moved;
    }
}
