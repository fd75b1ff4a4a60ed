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
     * Chances of words along a scale once the common cause is known.
     *
     * @param non-empty-list<float> $chances with all noise
     * @param float $total noise of all
     * @param float $common noise of the cause
     * @param float $z how many deviations the cause is off
     *
     * @return non-empty-list<float>
     */
    public static function given(array $chances, float $total, float $common, float $z): array
    {
        $rest = sqrt(max(1e-12, $total * $total - $common * $common));
        $given = [];
        $upTo = $below = 0.0;
        $last = \count($chances) - 1;
        foreach ($chances as $i => $chance) {
            $upTo += $chance;
            $here = $i === $last ? 1.0 : Chance::normal((Chance::deviate($upTo) * $total - $common * $z) / $rest);
            $given[] = max(0.0, $here - $below);
            $below = max($below, $here);
        }

        return $given;
    }
}
