<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;

/** Where the technician stands for a check; walking between two of them takes its minutes. */
final readonly class Station
{
    private function __construct(public string $id, public float $walkMinutes)
    {
    }

    /** @return non-empty-array<string, self> in the order of an ordinary job */
    public static function all(Shape $shape): array
    {
        $stations = [];
        foreach ($shape->each('stations') as $station) {
            $id = $station->text('id');
            $stations[$id] = new self($id, $station->notNegative('walk_minutes'));
        }

        return [] !== $stations
            ? $stations
            : ['' => $shape->miss('stations', 'at least one is expected', new self('', 0.0))];
    }
}
