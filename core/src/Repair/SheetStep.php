<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

/** One line of a composed sheet: a step, where it is made, and by which names each place of it is ticked. */
final readonly class SheetStep
{
    /**
     * @param non-empty-array<string, non-empty-list<string>> $names by place; the first is written, all are read
     * @param int|null $count of what it uses or brings back, at all its places together
     */
    public function __construct(public Step $step, public array $names, public ?int $count = null)
    {
    }

    public function counting(int $count): self
    {
        return new self($this->step, $this->names, $count);
    }

    /** @return non-empty-list<string> names under which its places are ticked */
    public function written(): array
    {
        return array_values(array_map(static fn (array $names): string => $names[0], $this->names));
    }

    /** The place that a name stands for; null where it is not one of this step. */
    public function placeOf(string $name): ?string
    {
        foreach ($this->names as $place => $names) {
            if (\in_array($name, $names, true)) {
                return $place;
            }
        }

        return null;
    }
}
