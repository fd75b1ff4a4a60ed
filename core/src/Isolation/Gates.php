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
        $wanted = [
            'level' => [$now->outcome('look@vehicle', 'level'), ['good']],
            'dry' => [$now->outcome('look@vehicle', 'wet'), ['good']],
            'lamp' => [$now->outcome('look@vehicle', 'lamp'), ['good']],
            'pedal-high' => [$now->outcome('first-stroke@vehicle', '') ?? $now->outcome('pedal@vehicle', 'travel'), ['normal']],
            'no-sink' => [$now->outcome('pedal@vehicle', 'sink'), ['none']],
        ];
        foreach (Corner::cases() as $corner) {
            $wanted['free-'.$corner->value] = [$now->outcome('spin-hard@vehicle', $corner->value) ?? $now->outcome('spin@vehicle', $corner->value), ['one-finger', 'one-hand']];
        }
        $wanted['closed-and-proved'] = [$now->opened ? 'open' : 'closed', ['closed']];
        $wanted['cool'] = [$now->cool ? 'cool' : 'hot', ['cool']];
        $unmet = Lift::Ground === $now->lift || Lift::Any === $now->lift ? [] : ['on-ground'];
        $unsafe = false;
        foreach ($wanted as $key => [$seen, $good]) {
            if (!\in_array($seen, $good, true)) {
                $unmet[] = $key;
                $unsafe = $unsafe || null !== $seen;
            }
        }

        return new Gate('road', $unmet, false, $unsafe);
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
            $gates[] = new Gate('stuck', $now->stuck($place) || 'vehicle' === $place && $now->anyStuck() ? [] : ['spin-first'], true);
        }

        if ($check->arrival) {
            $gates[] = new Gate('arrival', $now->drivenIn ? [] : ['driven-in'], false);
        }
        if ($check->road) {
            $gates[] = self::road($now);
        }
        if (null !== $check->after) {
            $gates[] = new Gate('order', $now->made($check->after.'@'.$place) ? [] : [$check->after.'-first'], true);
        }

        return array_values(array_filter($gates, static fn (Gate $gate): bool => !$gate->isOpen()));
    }
}
