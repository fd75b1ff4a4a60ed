<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Lift;
use Rodrel\Core\Vehicle\Corner;

/** The safety gates. Not looked at is not safe: every condition wants a reading of this epoch. */
final readonly class Gates
{
    /** May the vehicle be driven, on the road or home? */
    public static function road(Situation $now): Gate
    {
        $unmet = [];
        $want = static function (string $key, bool $met) use (&$unmet): void {
            if (!$met) {
                $unmet[] = $key;
            }
        };
        $want('level', 'good' === $now->outcome('look@vehicle', 'level'));
        $want('dry', 'good' === $now->outcome('look@vehicle', 'wet'));
        $want('lamp', 'good' === $now->outcome('look@vehicle', 'lamp'));
        $want('pedal-high', self::pedalHigh($now));
        $want('no-sink', 'none' === $now->outcome('pedal@vehicle', 'sink'));
        foreach (Corner::cases() as $corner) {
            $spun = $now->outcome('spin-hard@vehicle', $corner->value) ?? $now->outcome('spin@vehicle', $corner->value);
            $want('free-'.$corner->value, \in_array($spun, ['one-finger', 'one-hand'], true));
        }
        $want('closed-and-proved', !$now->opened);
        $want('cool', $now->cool);

        return new Gate('road', $unmet, false);
    }

    /** May a hand go under the vehicle? */
    public static function under(Situation $now): Gate
    {
        return new Gate('under', Lift::Ground === $now->lift || Lift::Any === $now->lift || $now->stands ? [] : ['stands'], false);
    }

    /**
     * What stands in the way of a check, whoever chose it.
     *
     * @return list<Gate> closed gates only
     */
    public static function closedFor(Check $check, string $place, Situation $now): array
    {
        $gates = [];
        if ($check->lift->level() > 0) {
            $under = $now->lift->level() < $check->lift->level()
                ? new Gate('under', [Lift::WheelsOff === $check->lift ? 'wheels-off' : 'raise'], false)
                : self::under($now);
            $gates[] = $under;
            $gates[] = new Gate('hot', $now->cool ? [] : ['cool'], false);
        }
        if ($check->needsStuck) {
            $gates[] = new Gate('stuck', $now->stuck($place) ? [] : ['spin-first'], true);
        }

        if (null !== $check->after) {
            $gates[] = new Gate('order', $now->made($check->after.'@'.$place) ? [] : [$check->after.'-first'], true);
        }

        return array_values(array_filter($gates, static fn (Gate $gate): bool => !$gate->isOpen()));
    }

    private static function pedalHigh(Situation $now): bool
    {
        return self::isNormal($now->outcome('first-stroke@vehicle', '')) || self::isNormal($now->outcome('pedal@vehicle', 'travel'));
    }

    private static function isNormal(?string $outcome): bool
    {
        return 'normal' === $outcome;
    }
}
