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

    private static function ratio(Belief $belief, Weights $before, int $reading, GroupAt $group): float
    {
        $field = $belief->field;
        $in = $inHit = 0.0;
        $out = $before->second;
        $outHit = $before->second * $belief->background[$reading];
        $at = $field->groups->at((string) $group);
        foreach ($before->posterior as $i => $weight) {
            $hit = $weight * $belief->likelihoods[$reading][$i];
            if ($field->groups->of[$i] === $at) {
                $in += $weight;
                $inHit += $hit;
            } else {
                $out += $weight;
                $outHit += $hit;
            }
        }

        return max($inHit / max($in, 1e-300), 1e-12) / max($outHit / max($out, 1e-300), 1e-12);
    }

    /** @return array<string, string> */
    private static function expected(Belief $belief, Weights $before, Reading $reading, GroupAt $group): array
    {
        $field = $belief->field;
        $expected = [];
        $at = $field->groups->at((string) $group);
        foreach (array_keys($reading->outcomes) as $row) {
            $key = $reading->check->row($row);
            $words = $field->signature->rows[$key]['words'];
            $mass = array_fill_keys($words, 0.0);
            foreach ($words as $word) {
                foreach ($field->signature->column($key, $word) as $i => $chance) {
                    if ($field->groups->of[$i] === $at) {
                        $mass[$word] += $before->posterior[$i] * $chance;
                    }
                }
            }
            arsort($mass);
            $expected[$row] = (string) array_key_first($mass);
        }

        return $expected;
    }
}
