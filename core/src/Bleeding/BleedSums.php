<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/**
 * The arithmetic of a bleed run: mL and strokes per bleeder, and the stroke at which the reservoir wants topping up.
 */
final readonly class BleedSums
{
    private const MINUTES_PER_BLEEDER = 3.0;

    /**
     * @param list<array{key: string, ml: float, count: int, top_up_at: list<int>}> $points in order
     * @param float $totalMl what goes through, with what parts fitted dry swallow
     */
    private function __construct(public array $points, public float $totalMl, public float $minutes)
    {
    }

    /**
     * @param list<BleedPoint> $points
     * @param array<string, BleedMethod> $methods by key of a bleeder where it is another one than `$usual`
     * @param string $purpose `opened`: clear what was opened; `renew`: fresh fluid throughout
     * @param list<string> $fitted ids of repairs whose parts were fitted dry
     */
    public static function of(
        Layout $layout,
        BleedBook $book,
        array $points,
        BleedMethod $usual,
        string $purpose,
        array $methods = [],
        array $fitted = [],
    ): self {
        $all = [];
        $total = array_sum(array_intersect_key($book->ml['dry'] ?? [], array_flip($fitted)));
        $minutes = 0.0;
        $usable = ($layout->pipework->reservoirMl ?? $book->reservoirMl) * (1.0 - $book->reserve);
        $since = 0.0;
        foreach ($points as $n => $point) {
            $method = $methods[$point->key()] ?? $usual;
            $second = $n > 0 && $points[$n - 1]->place === $point->place;
            $ml = self::pointMl($layout, $book, $point, $second) * ($book->exchange[$purpose] ?? 1.5);
            $corner = $point->corner();
            $chamber = null === $corner ? $layout->chambers[0] : $layout->chamberOf($corner);
            $each = $method->mlEach($chamber->strokeMl);
            $count = (int) ceil($ml / $each);
            $topUps = [];
            for ($k = 1; $k <= $count; ++$k) {
                $since += $each;
                if ($since > $usable) {
                    // the one before: the reservoir must never reach its port
                    $topUps[] = max(1, $k - 1);
                    $since = $each;
                }
            }
            $all[] = ['key' => $point->key(), 'ml' => $ml, 'count' => $count, 'top_up_at' => $topUps];
            $total += $ml;
            $minutes += self::MINUTES_PER_BLEEDER + $method->minutes($ml, $count);
        }

        return new self($all, $total, $minutes);
    }

    /** What lies behind a bleeder, mL; a caliper's second one clears only its own half of it. */
    private static function pointMl(Layout $layout, BleedBook $book, BleedPoint $point, bool $second): float
    {
        $corner = $point->corner();
        if (null === $corner) {
            return $book->ml['points']['' === $point->bleeder ? $point->place : $point->bleeder] ?? 0.0;
        }

        return $second ? 0.5 * $layout->brake($corner)->fluidMl() : self::contentMl($layout, $book, $corner);
    }

    /** What lies between the master and a wheel's bleeder, mL: pipe, hose and brake. */
    public static function contentMl(Layout $layout, BleedBook $book, Corner $corner): float
    {
        return $book->lines->pipeMlPerM * ($layout->pipework->lengthsM[$corner->value] ?? 0.0)
            + $book->lines->hoseMlPerM * $book->lines->hoseM
            + $layout->brake($corner)->fluidMl();
    }
}
