<?php

declare(strict_types=1);

namespace App\Exchange;

/** Several runs of one thing, in milliseconds. */
final readonly class Times
{
    /**
     * @param callable(): mixed $work
     *
     * @return array{min: float, median: float, max: float}
     */
    public static function of(callable $work, int $runs): array
    {
        $times = [];
        for ($i = 0; $i < max(1, $runs); ++$i) {
            $start = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $start) / 1e6;
        }

        return self::spread($times);
    }

    /**
     * @param non-empty-list<float> $times
     *
     * @return array{min: float, median: float, max: float}
     */
    public static function spread(array $times): array
    {
        sort($times);

        return [
            'min' => round($times[0], 2),
            'median' => round($times[intdiv(\count($times), 2)], 2),
            'max' => round($times[\count($times) - 1], 2),
        ];
    }
}
