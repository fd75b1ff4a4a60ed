<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/**
 * What was seen with one's own eyes and is wrong in itself, whether or not it made the complaint: a soaked lining, a
 * cracked ring. Nothing ordinary looks so, and the fault that does looks so as a rule.
 */
final readonly class SeenWrong
{
    /** A sound part looks so at most this often (share; estimate, 0.03 to 0.08). */
    private const RARELY = 0.05;
    /** The fault looks so at least this often (share; estimate, 0.4 to 0.7). */
    private const AS_A_RULE = 0.5;

    private function __construct(public GroupAt $group, public Reading $reading)
    {
    }

    /** The likeliest repair that something seen asks for; null where nothing of the kind was seen. */
    public static function of(Belief $belief): ?self
    {
        $seen = null;
        $most = 0.0;
        foreach ($belief->readings as $reading) {
            foreach ($reading->unsure ? [] : $reading->outcomes as $row => $word) {
                foreach (self::groups($belief, $reading, $row, $word) as $group => $mass) {
                    if ($mass > $most) {
                        [$seen, $most] = [new self(GroupAt::parse($group), $reading), $mass];
                    }
                }
            }
        }

        return $seen;
    }

    /** @return array<string, float> belief in the repairs of what looks so, by group */
    private static function groups(Belief $belief, Reading $reading, string $row, string $word): array
    {
        $field = $belief->field;
        $observer = $field->knowledge->checks->of($reading->check)->row($row)?->observer;
        $signature = $field->row($reading->check, $row);
        $at = (int) array_search($word, $signature['words'], true);
        if (
            null === $observer
            || !$observer->isSign()
            || $word === $observer->good()
            || $observer->isOrdinary($word)
            || $signature['table'][0][$at] > self::RARELY
        ) {
            return [];
        }
        $groups = [];
        foreach ($field->particles as $i => $particle) {
            if ($signature['table'][$signature['index'][$i]][$at] >= self::AS_A_RULE) {
                $group = (string) $particle->group;
                $groups[$group] = ($groups[$group] ?? 0.0) + $belief->weights->posterior[$i];
            }
        }

        return $groups;
    }
}
