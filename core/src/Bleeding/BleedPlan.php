<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/** Which bleeders to open, in which order, and when each is done. */
final readonly class BleedPlan
{
    /** Consecutive clear strokes that end a wheel (handbook default). */
    public const CLEAR_STROKES = 3;

    /** @param non-empty-list<Corner> $order */
    private function __construct(public array $order)
    {
    }

    /**
     * Only what was opened, or everything; opening the master's side opens everything.
     *
     * @param string $place a corner, `rear`, or `vehicle`
     */
    public static function of(Layout $layout, string $place, BleedOrder $school = BleedOrder::FarthestFirst): self
    {
        $order = [];
        foreach ($school->wheels($layout) as $corner) {
            $id = $corner->value;
            if ('vehicle' === $place || $id === $place || 'rear' === $place && !$corner->isFront()) {
                $order[] = $corner;
            }
        }

        return new self([] !== $order ? $order : Corner::cases());
    }

    /**
     * @param list<array{corner: string, strokes: int, bubbles: string, clear: int}> $log
     *
     * @return array<string, bool> done, by corner in order
     */
    public function done(array $log): array
    {
        $done = [];
        foreach ($this->order as $corner) {
            $done[$corner->value] = false;
            foreach ($log as $line) {
                if ($line['corner'] === $corner->value) {
                    $done[$corner->value] = 'none' === $line['bubbles'] && $line['clear'] >= self::CLEAR_STROKES;
                }
            }
        }

        return $done;
    }
}
