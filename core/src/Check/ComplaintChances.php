<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Vehicle\Corner;

/**
 * What a driver of this vehicle would complain about, from the model: which wheels drag, which side brakes
 * more, how far the pedal goes. An estimate: 25 N·m of drag is noticed two times in three; plausible 15 to 50.
 */
final readonly class ComplaintChances
{
    public const WORDS = ['drags-lf', 'drags-rf', 'drags-lr', 'drags-rr', 'drags-front', 'drags-rear', 'drags-all', 'pulls-left', 'pulls-right', 'pulls-left-first', 'pulls-right-first', 'locks-front', 'locks-rear', 'pedal-long', 'weak', 'none'];
    private const NOTICED_NM = 25.0;
    private const DRAG_ALSO_PULLS = 0.2;
    /** Grip used in a brisk stop from which a driver notices that a wheel locks (estimate; 0.9 to 1.05). */
    private const LOCKS_AT = 0.97;
    private const LOCKS_SPREAD = 0.1;

    /**
     * @param array<string, float> $dragNm  above sound, by corner, four seconds after a stop
     * @param array<string, float> $brakeNm at the hold, by corner
     * @param array<string, float> $soundNm the same of a sound vehicle
     * @param float                $travel  pedal travel over the sound one
     * @param float                $first   pull index in the first instant of a moderate stop, positive to the left
     * @param array<string, float> $grip    braking force over what the road can take in a brisk stop, by corner
     * @param float                $whole   the same as the stop goes on
     *
     * @return array<string, float> chance of each complaint, summing to 1
     */
    public static function of(array $dragNm, array $brakeNm, array $soundNm, float $travel, float $first, float $whole, array $grip): array
    {
        $noticed = array_map(static fn (float $nm): float => 1.0 - exp(-max(0.0, $nm) / self::NOTICED_NM), $dragNm);
        $chance = array_fill_keys(self::WORDS, 0.0);
        for ($set = 1; $set < 16; ++$set) {
            $p = 1.0;
            $wheels = [];
            foreach (Corner::cases() as $bit => $corner) {
                $in = 0 !== ($set & (1 << $bit));
                $p *= $in ? $noticed[$corner->value] : 1.0 - $noticed[$corner->value];
                if ($in) {
                    $wheels[] = $corner->value;
                }
            }
            self::spread($chance, $wheels, $p);
        }
        $rest = 1.0 - array_sum($chance);
        foreach (['front' => max($grip['lf'], $grip['rf']), 'rear' => max($grip['lr'], $grip['rr'])] as $axle => $used) {
            $locks = Chance::above(self::LOCKS_AT, $used, self::LOCKS_SPREAD);
            $chance['locks-'.$axle] += 0.8 * $rest * $locks;
            $rest *= 1.0 - 0.8 * $locks;
        }
        $pull = 1.0 - exp(-($whole / 0.12) ** 2);
        $jerk = 1.0 - exp(-($first / 0.20) ** 2);
        $long = $travel > 1.0 ? 1.0 - exp(-(($travel - 1.0) / 0.25) ** 2) : 0.0;
        $weak = 1.0 - exp(-(max(0.0, 1.0 - array_sum($brakeNm) / max(1.0, array_sum($soundNm))) / 0.3) ** 2);
        $chance[$whole > 0.0 ? 'pulls-left' : 'pulls-right'] += $rest * $pull * 0.8;
        $rest *= 1.0 - 0.8 * $pull;
        $chance[$first > 0.0 ? 'pulls-left-first' : 'pulls-right-first'] += $rest * $jerk * 0.8;
        $rest *= 1.0 - 0.8 * $jerk;
        $chance['pedal-long'] += $rest * $long;
        $rest *= 1.0 - $long;
        $chance['weak'] += $rest * $weak * 0.8;
        $chance['none'] += $rest * (1.0 - 0.8 * $weak);

        return $chance;
    }

    /**
     * @param array<string, float> $chance
     * @param list<string>         $wheels
     */
    private static function spread(array &$chance, array $wheels, float $p): void
    {
        $pulls = array_sum(array_map(static fn (string $w): int => 'l' === $w[0] ? 1 : -1, $wheels));
        $sided = 0 !== $pulls ? self::DRAG_ALSO_PULLS : 0.0;
        if ($sided > 0.0) {
            $chance[$pulls > 0 ? 'pulls-left' : 'pulls-right'] += $sided * $p;
        }
        $p *= 1.0 - $sided;
        if (['lf', 'rf'] === $wheels) {
            $chance['drags-front'] += $p;
        } elseif (['lr', 'rr'] === $wheels) {
            $chance['drags-rear'] += $p;
        } elseif (\count($wheels) > 2) {
            $chance['drags-all'] += $p;
        } else {
            foreach ($wheels as $wheel) {
                $chance['drags-'.$wheel] += $p / \count($wheels);
            }
        }
    }
}
