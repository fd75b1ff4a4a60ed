<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Chance;
use Rodrel\Core\Shape;

/**
 * A cause of error that a row shares with others of the same job: the hand that turns all wheels, the drive that warmed
 * them. It is drawn once for all of them.
 */
final readonly class Common
{
    private function __construct(public string $cause, public float $noise)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('cause'), $shape->positive('noise'));
    }

    /**
     * Chance of one word of a scale once the common cause is known.
     *
     * @param non-empty-list<float> $chances of every word along the scale, with all noise
     * @param int $at which of them
     * @param float $total noise of all
     * @param float $common noise of the cause
     * @param list<float> $points how many deviations the cause is off
     *
     * @return list<float> by point
     */
    public static function given(array $chances, int $at, float $total, float $common, array $points): array
    {
        $rest = sqrt(max(1e-12, $total * $total - $common * $common));
        $before = array_sum(\array_slice($chances, 0, $at));
        $lower = 0 === $at ? null : Chance::deviate($before) * $total / $rest;
        $upper = $at === \count($chances) - 1 ? null : Chance::deviate($before + $chances[$at]) * $total / $rest;
        $given = [];
        foreach ($points as $z) {
            $shift = $common * $z / $rest;
            $upTo = null === $upper ? 1.0 : Chance::normal($upper - $shift);
            $given[] = max(0.0, $upTo - (null === $lower ? 0.0 : Chance::normal($lower - $shift)));
        }

        return $given;
    }

    /**
     * Chances of all words once it is known.
     *
     * @param non-empty-list<float> $chances
     *
     * @return non-empty-list<float>
     */
    public static function once(array $chances, float $total, float $common, float $z): array
    {
        $once = [];
        foreach ($chances as $at => $_) {
            array_push($once, ...self::given($chances, $at, $total, $common, [$z]));
        }

        return [] === $once ? $chances : $once;
    }
}
