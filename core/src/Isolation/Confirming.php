<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** The checks of a suspect's own family: what confirms it. */
final readonly class Confirming
{
    /** What a fault must carry of its group's mass for its own confirming checks to count (share; estimate). */
    private const SHARE_OF_GROUP = 0.25;

    /** @return list<CheckAt> that confirm the likelier faults of a repair group, each at its places */
    public static function of(Belief $belief, GroupAt $group): array
    {
        $field = $belief->field;
        $found = [];
        foreach ($field->particles as $particle) {
            $share = self::SHARE_OF_GROUP * $belief->group($group);
            if (!$particle->group->is($group) || $belief->suspects[(string) $particle->suspect] < $share) {
                continue;
            }
            foreach ($particle->fault->confirm as $id) {
                foreach ($field->knowledge->checks->of($id)->everywhere($field->layout) as $check) {
                    if ($field->layout->reaches($check->place, $particle->place)) {
                        $found[(string) $check] = $check;
                    }
                }
            }
        }

        return array_values($found);
    }

    /**
     * @param list<CheckAt> $checks
     */
    public static function isAmong(CheckAt $at, array $checks): bool
    {
        foreach ($checks as $check) {
            if ($at->is($check)) {
                return true;
            }
        }

        return false;
    }
}
