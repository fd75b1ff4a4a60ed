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
        foreach ($belief->readings as $n => $reading) {
            $before = $belief->without($n);
            $ratio = self::ratio($belief, $before, $n, $group);
            $arguments[] = new Argument(
                $reading,
                $ratio,
                Weight::ofRatio($ratio),
                self::expected($belief, $before, $reading, $group),
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
        $start = $belief->field->groups->sums($belief->opening->weights);
        $struck = [];
        foreach ($start as $group => $mass) {
            if ($mass < $worth || $belief->group($group) >= $below || [] === $belief->readings) {
                continue;
            }
            $worst = null;
            $lowest = 1.0;
            foreach ($belief->readings as $n => $reading) {
                $ratio = self::ratio($belief, $belief->without($n), $n, GroupAt::parse($group));
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

    /** How much likelier a reading is if the group is at fault than if it is not. */
    private static function ratio(Belief $belief, Weights $before, int $reading, GroupAt $group): float
    {
        $in = $inHit = 0.0;
        $likelihood = $belief->likelihoods[$reading];
        $members = $belief->field->groups->members((string) $group);
        foreach ($members as $i) {
            $in += $before->posterior[$i];
            $inHit += $before->posterior[$i] * $likelihood[$i];
        }
        $out = 1.0 - $in;
        $outHit = $belief->chanceOf($reading) - $inHit;
        if ($in > 0.5) {
            // what is left of nearly all is summed, not taken as a difference
            $out = $before->second;
            $outHit = $before->second * $belief->background[$reading];
            foreach (array_diff_key($before->posterior, array_flip($members)) as $i => $weight) {
                $out += $weight;
                $outHit += $weight * $likelihood[$i];
            }
        }

        return max($inHit / max($in, 1e-300), 1e-12) / max($outHit / max($out, 1e-300), 1e-12);
    }

    /** @return array<string, string> the likeliest word of each row if the group is at fault */
    private static function expected(Belief $belief, Weights $before, Reading $reading, GroupAt $group): array
    {
        $members = $belief->field->groups->members((string) $group);
        $expected = [];
        foreach (array_keys($reading->outcomes) as $row) {
            $signature = $belief->field->signature->rows[$reading->check->row($row)];
            $mass = array_fill(0, \count($signature['words']), 0.0);
            foreach ($members as $i) {
                foreach ($signature['table'][$signature['index'][$i]] as $word => $chance) {
                    $mass[$word] += $before->posterior[$i] * $chance;
                }
            }
            arsort($mass);
            $expected[$row] = $signature['words'][(int) array_key_first($mass)];
        }

        return $expected;
    }
}
