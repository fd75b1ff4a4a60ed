<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

/** How this shop does what good technicians do differently. */
final readonly class Practice
{
    /**
     * @param array<string, string> $ways way by procedure
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

    /** The shop's way of what a sheet leaves open; '' where there is one way. */
    public function wayOf(Sheet $sheet): string
    {
        return array_values(array_intersect($sheet->ways(), $this->ways))[0] ?? $sheet->ways()[0] ?? '';
    }

    /** @return list<string> */
    public function alongWith(string $repair): array
    {
        return $this->with[$repair] ?? [];
    }
}
