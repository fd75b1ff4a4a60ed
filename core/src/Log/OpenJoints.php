<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

/** Joints of the open repair sheet that were broken and are not closed to torque yet: nothing is bled meanwhile. */
final readonly class OpenJoints
{
    public static function any(Door $door): bool
    {
        $finding = $door->story()->finding();
        $sheet = $door->sheet();
        if (null === $finding || null === $sheet) {
            return false;
        }
        $open = [];
        foreach ($sheet->steps as $line) {
            foreach ($line->names as $place => $names) {
                if (null === $door->story()->stepDone($finding->id, ...$names)) {
                    continue;
                }
                if ('' !== $line->step->breaks) {
                    $open[$line->step->breaks][$place] = true;
                }
                unset($open[$line->step->makes][$place]);
            }
        }

        return [] !== array_filter($open);
    }
}
