<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** What a repair tends to drag along, with its chance, and the look that shows it. Money in minor units. */
final readonly class Extra
{
    /** @param array{check: string, row: string, word: string}|null $seen */
    private function __construct(
        public string $part,
        public float $chance,
        public float $partsCents,
        public float $minutes,
        public ?array $seen,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $seen = $shape->in('seen');

        return new self(
            $shape->text('part'),
            $shape->share('chance'),
            $shape->notNegative('parts_cents'),
            $shape->notNegative('minutes'),
            $shape->has('seen')
                ? ['check' => $seen->text('check'), 'row' => $seen->text('row'), 'word' => $seen->text('word')]
                : null,
        );
    }
}
