<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** The shop's figures that weigh a check against a repair. Money in minor units. */
final readonly class Settings
{
    /** Belief at which testing stops. */
    public float $threshold;
    /** A dearer part wants confirming first. */
    public float $confirmAboveCents;
    /** @var array<string, array{parts_cents?: float, minutes?: float}> the shop's own prices, by repair id */
    public array $prices;
    /** @var list<string>|null what the shop has; null when that was never said */
    public ?array $tools;
    public Scoring $scoring;

    private function __construct(
        public Labour $labour,
        public Times $times,
        public SecondFaultOdds $secondFault,
        Shape $shape,
    ) {
        $this->threshold = $shape->number('threshold');
        if ($this->threshold <= 0.5 || $this->threshold >= 1.0) {
            $shape->miss('threshold', 'a number between 0.5 and 1 is expected');
        }
        $prices = [];
        foreach ($shape->each('prices') as $repair => $price) {
            $prices[$repair] = $price->numberMapSelf();
        }
        $this->prices = $prices;
        $this->confirmAboveCents = $shape->number('confirm_above_cents');
        $this->tools = $shape->has('tools') ? $shape->texts('tools') : null;
        $this->scoring = $shape->has('scoring') ? $shape->oneOf('scoring', Scoring::class) : Scoring::Ahead;
    }

    /**
     * @param list<string> $wanted
     *
     * @return list<string>
     */
    public function missingTools(array $wanted): array
    {
        return null === $this->tools ? [] : array_values(array_diff($wanted, $this->tools));
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            Labour::fromShape($shape),
            Times::fromShape($shape),
            SecondFaultOdds::fromShape($shape),
            $shape,
        );
    }
}
