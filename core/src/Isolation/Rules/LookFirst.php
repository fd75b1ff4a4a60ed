<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Standing;

/** Look before you open: no joint, bleeder, drum or caliper while a look within reach at the same place is open. */
final readonly class LookFirst
{
    /** What is looked at before a joint of a line, and before a brake is taken apart. */
    private const BEFORE_OPENING = ['hose-look', 'pipe-look'];
    private const BEFORE_A_DRUM = ['parking-slack', 'lever-stop'];
    /** A front drum has no cable that would explain it: its hose is looked at first. */
    private const BEFORE_A_FRONT_DRUM = ['hose-look'];
    private const BEFORE_A_CALIPER = ['hose-look', 'lever-stop', 'caliper-look'];
    private const DRUM = 'drum';

    /** @return list<Proposal> looks at what is opened, or on the way to it, that nobody has made */
    public static function all(Proposal $wanted, Standing $at): array
    {
        $place = $wanted->at->place;
        $all = [];
        foreach (self::looks($wanted) as $look) {
            foreach ($at->route->has($look) ? $at->open([$look]) : [] as $one) {
                $same = $one->at->place->isVehicle()
                    || $at->belief->field->layout->reaches($one->at->place, $place)
                    || $one->at->place->covers($place);
                if ($same && !$one->at->is($wanted->at)) {
                    $all[] = $one;
                }
            }
        }

        return $all;
    }

    /** @return list<string> checks */
    private static function looks(Proposal $wanted): array
    {
        $wake = $wanted->check->demand->wake;

        return match (true) {
            null !== $wake->opens => self::BEFORE_OPENING,
            self::DRUM === $wake->apart => true === $wanted->at->place->corner()?->isFront()
                ? self::BEFORE_A_FRONT_DRUM
                : self::BEFORE_A_DRUM,
            null !== $wake->apart => self::BEFORE_A_CALIPER,
            default => [],
        };
    }
}
