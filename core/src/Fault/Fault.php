<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Provenance;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Sites;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** One row of the fault catalogue: what fails, where it can sit, what it changes and what it shows. */
final readonly class Fault
{
    /** @param list<string> $confirm ids of the checks that confirm it */
    private function __construct(
        public string $id,
        public Sites $places,
        public Odds $odds,
        public Damage $damage,
        public Signs $signs,
        public Cure $cure,
        public array $confirm,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        Provenance::fromShape($shape);

        return new self(
            $shape->text('id'),
            Sites::fromShape($shape),
            Odds::fromShape($shape),
            Damage::fromShape($shape),
            Signs::fromShape($shape->in('signs'), $shape->in('shows_at'), self::told($shape)),
            Cure::fromShape($shape),
            $shape->texts('confirm'),
        );
    }

    /** @return array<string, float> share of the drivers by complaint */
    private static function told(Shape $shape): array
    {
        $told = $shape->numberMap('told');
        if (array_sum($told) > 1.0 || [] !== array_filter($told, static fn (float $share): bool => $share < 0.0)) {
            $shape->miss('told', 'shares of the drivers are expected, at most 1 in all');
            $told = [];
        }

        return $told;
    }

    public function at(Place $place): SuspectAt
    {
        return SuspectAt::of($this->id, $place);
    }
}
