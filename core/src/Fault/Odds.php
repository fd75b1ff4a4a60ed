<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Part;

/** How common a fault is, and what makes it commoner. */
final readonly class Odds
{
    /**
     * @param float $weight relative base weight
     * @param Part|null $agesWith the part whose age it goes by
     * @param array<string, float> $afterFitting part fitted lately at the same place → factor on the weight
     */
    private function __construct(public float $weight, public ?Part $agesWith, public array $afterFitting)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $part = $shape->text('ages_with');

        return new self(
            $shape->positive('weight'),
            '' === $part ? null : Part::of($part),
            $shape->numberMap('after_fitting'),
        );
    }
}
