<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

/** How this shop does what good technicians do differently. */
final readonly class Practice
{
    /**
     * @param array<string, string> $ways way by what it is a way of
     * @param array<string, list<string>> $with parts changed along with a repair in any case
     */
    public function __construct(
        public ?string $bleedOrder = null,
        public bool $pairs = false,
        private array $ways = [],
        private array $with = [],
    ) {
    }

    public function with(Choice $choice): self
    {
        return new self(
            $choice->bleedOrder ?? $this->bleedOrder,
            $this->pairs || $choice->pairs,
            [...$this->ways, ...$choice->ways],
            [...$this->with, ...$choice->with],
        );
    }

    /** Whether a step is made this shop's way; one that belongs to no school is. */
    public function makes(Step $step): bool
    {
        return null === $step->way || \in_array($step->way, $this->ways, true);
    }

    /** The same practice with one thing done the other way. */
    public function inThatWay(string $of, string $way): self
    {
        return new self($this->bleedOrder, $this->pairs, [...$this->ways, $of => $way], $this->with);
    }

    /** @return array<string, string> the shop's way by what it is a way of */
    public function ways(): array
    {
        return $this->ways;
    }

    /** @return list<string> */
    public function alongWith(string $repair): array
    {
        return $this->with[$repair] ?? [];
    }
}
