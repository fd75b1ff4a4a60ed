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
    private const MINUTES_PER_WHEEL = 3.0;
    private const STROKES_PER_MINUTE = 8.0;
    private const ML_PER_MINUTE = ['pressure' => 60.0, 'vacuum' => 40.0, 'gravity' => 8.0];

    /**
     * @param list<array{corner: string, bleeder: string, ml: float, count: int, top_up_at: list<int>}> $wheels in order
     */
    private function __construct(public array $wheels, public float $totalMl, public float $minutes)
    {
    }

    /**
     * @param list<Corner> $order
     * @param string $purpose `opened`: clear what was opened; `renew`: fresh fluid throughout
     */
    public static function of(Layout $layout, BleedBook $book, array $order, BleedMethod $method, string $purpose): self
    {
        $wheels = [];
        $total = $minutes = 0.0;
        $usable = ($layout->pipework->reservoirMl ?? $book->reservoirMl) * (1.0 - $book->reserve);
        $since = 0.0;
        foreach ($order as $corner) {
            $ml = self::contentMl($layout, $book, $corner) * ($book->exchange[$purpose] ?? 1.5);
            foreach ($layout->brake($corner)->bleeders() as $n => $bleeder) {
                // the second bleeder clears only its own half of the caliper
                $own = 0 === $n ? $ml : 0.5 * $layout->brake($corner)->fluidMl() * ($book->exchange[$purpose] ?? 1.5);
                $each
                    = 'strokes' === $method->unit ? $method->strokeShare * $layout->chamberOf($corner)->strokeMl : 1.0;
                $count = (int) ceil($own / $each);
                $topUps = [];
                for ($k = 1; $k <= $count; ++$k) {
                    $since += $each;
                    if ($since > $usable) {
                        // the one before: the reservoir must never reach its port
                        $topUps[] = max(1, $k - 1);
                        $since = $each;
                    }
                }
                $wheels[] = [
                    'corner' => $corner->value,
                    'bleeder' => $bleeder,
                    'ml' => $own,
                    'count' => $count,
                    'top_up_at' => $topUps,
                ];
                $total += $own;
                $minutes
                    += self::MINUTES_PER_WHEEL
                    + ('strokes' === $method->unit
                        ? $count / self::STROKES_PER_MINUTE
                        : $own / (self::ML_PER_MINUTE[$method->id] ?? 40.0));
            }
        }

        return new self($wheels, $total, $minutes);
    }

    /** What lies between the master and a wheel's bleeder, mL: pipe, hose and brake. */
    public static function contentMl(Layout $layout, BleedBook $book, Corner $corner): float
    {
        return $book->lines->pipeMlPerM * ($layout->pipework->lengthsM[$corner->value] ?? 0.0)
            + $book->lines->hoseMlPerM * $book->lines->hoseM
            + $layout->brake($corner)->fluidMl();
    }
}
