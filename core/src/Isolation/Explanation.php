<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/** Says why: which readings spoke for a repair group and which against, strongest first. */
final readonly class Explanation
{
    /** @return list<Argument> strongest first, whichever way it speaks */
    public static function of(Belief $belief, GroupAt $group): array
    {
        $arguments = [];
        $members = $belief->field->membersOf($group);
        // what every answer denies is told as it commonly is
        $commonly = array_intersect_key($belief->opening->weights, $members);
        foreach ($belief->readings as $n => $reading) {
            $before = array_intersect_key($belief->field->folded($belief->without($n)->posterior), $members);
            $ratio = self::ratio($belief, $belief->groupsWithout($n), $group);
            $arguments[] = new Argument(
                $reading,
                $ratio,
                Weight::ofRatio($ratio),
                self::expected($belief, [] === $before ? $commonly : $before, $reading),
            );
        }
        usort($arguments, static fn (Argument $a, Argument $b): int => abs(log($b->ratio)) <=> abs(log($a->ratio)));

        return $arguments;
    }

    /**
     * Groups that were worth a thought and are so no longer, each with the reading that struck it out.
     *
     * @return array<string, Reading>
     */
    public static function struckOut(Belief $belief, float $below = 0.01, float $worth = 0.02): array
    {
        $start = $belief->field->byGroup($belief->opening->weights);
        $struck = [];
        foreach ($start as $group => $mass) {
            if ($mass < $worth || $belief->group($group) >= $below || [] === $belief->readings) {
                continue;
            }
            $worst = null;
            $lowest = 1.0;
            foreach ($belief->readings as $n => $reading) {
                $ratio = self::ratio($belief, $belief->groupsWithout($n), GroupAt::parse($group));
                if ($ratio < $lowest) {
                    [$lowest, $worst] = [$ratio, $reading];
                }
            }
            if (null !== $worst) {
                $struck[$group] = $worst;
            }
        }

        return $struck;
    }

    /**
     * How much likelier a reading is if the group is at fault than if it is not: the odds with it over those without.
     *
     * @param array<string, float> $before groups without it
     */
    public static function ratio(Belief $belief, array $before, GroupAt $group): float
    {
        return self::odds($belief->group($group)) / self::odds($before[(string) $group] ?? 0.0);
    }

    private static function odds(float $mass): float
    {
        return max($mass, 1e-12) / max(1.0 - $mass, 1e-12);
    }

    /**
     * @param array<int, float> $members weight by hypothesis
     *
     * @return array<string, string> the likeliest word of each row if one of them is the fault
     */
    private static function expected(Belief $belief, array $members, Reading $reading): array
    {
        $expected = [];
        foreach (array_keys($reading->outcomes) as $row) {
            $signature = $belief->field->signature->rows[$reading->check->row($row)];
            $mass = array_fill(0, \count($signature['words']), 0.0);
            foreach ($members as $i => $weight) {
                foreach ($signature['table'][$signature['index'][$i]] as $word => $chance) {
                    $mass[$word] += $weight * $chance;
                }
            }
            arsort($mass);
            $expected[$row] = $signature['words'][(int) array_key_first($mass)];
        }

        return $expected;
    }
}
