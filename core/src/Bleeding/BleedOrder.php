<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/** The schools of bleed order. */
enum BleedOrder: string
{
    case FarthestFirst = 'farthest-first';
    case NearestFirst = 'nearest-first';
    /** One circuit after the other, within each the farther wheel first. */
    case ByCircuit = 'by-circuit';

    /** @return list<Corner> */
    public function wheels(Layout $layout): array
    {
        $length = static fn (Corner $corner): float => $layout->pipework->lengthsM[$corner->value] ?? 0.0;
        $circuit = static fn (Corner $corner): int => (int) array_search(
            $layout->chamberOf($corner),
            $layout->chambers,
            true,
        );
        $wheels = Corner::cases();
        usort(
            $wheels,
            match ($this) {
                self::FarthestFirst => static fn (Corner $a, Corner $b): int => $length($b) <=> $length($a),
                self::NearestFirst => static fn (Corner $a, Corner $b): int => $length($a) <=> $length($b),
                self::ByCircuit => static fn (Corner $a, Corner $b): int => [$circuit($a), $length($b)] <=> [
                    $circuit($b),
                    $length($a),
                ],
            },
        );

        return $wheels;
    }
}
