<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;

/** How one bleeder was bled, where that differs from the rest, and what belongs to the method. */
final readonly class BleedHow
{
    /**
     * @param string $method id; '' for the run's own
     * @param int $minutes that it was left to run; 0 where nobody noted it
     * @param int $kpa at the reservoir; 0 where nothing pressed there
     */
    public function __construct(public string $method = '', public int $minutes = 0, public int $kpa = 0)
    {
    }

    public static function read(Shape $shape): self
    {
        return new self(
            $shape->text('method', ''),
            (int) $shape->notNegative('minutes', 0.0),
            (int) $shape->notNegative('kpa', 0.0),
        );
    }

    /** @return array<string, int|string> without what was not said */
    public function write(): array
    {
        return array_filter(
            ['method' => $this->method, 'minutes' => $this->minutes, 'kpa' => $this->kpa],
            static fn (int|string $said): bool => '' !== $said && 0 !== $said,
        );
    }
}
