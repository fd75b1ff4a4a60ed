<?php

declare(strict_types=1);

namespace App\History;

/** Kilometres as one says them: to the thousand, below two thousand to the hundred. */
final class Distance
{
    public static function roundly(int $km): string
    {
        $step = $km > 2000 ? 1000.0 : 100.0;

        return number_format(round($km / $step) * $step, 0, '.', ' ');
    }
}
