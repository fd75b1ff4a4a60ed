<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** The shop's figures that weigh a check against a repair. Money in minor units. */
final readonly class Settings
{
    /**
     * @param float $threshold belief at which testing stops
     * @param float $confirmAboveCents a dearer part wants confirming first
     * @param array<string, array{parts_cents?: float, minutes?: float}> $prices the shop's own, by repair id
     * @param list<string>|null $tools what the shop has; null when that was never said
     */
    private function __construct(
        public Labour $labour,
        public Times $times,
        public Seconds $seconds,
        public float $threshold,
        public float $confirmAboveCents,
        public array $prices,
        public ?array $tools,
    ) {
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
        $threshold = $shape->number('threshold');
        if ($threshold <= 0.5 || $threshold >= 1.0) {
            $shape->miss('threshold', 'a number between 0.5 and 1 is expected');
        }
        $prices = [];
        foreach ($shape->each('prices') as $repair => $price) {
            $prices[$repair] = $price->numberMapSelf();
        }

        return new self(
            Labour::fromShape($shape),
            Times::fromShape($shape),
            Seconds::fromShape($shape),
            $threshold,
            $shape->number('confirm_above_cents'),
            $prices,
            $shape->has('tools') ? $shape->texts('tools') : null,
        );
    }
}
