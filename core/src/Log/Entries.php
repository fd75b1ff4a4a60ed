<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Log\Payload\Payload;

/**
 * Entries in their order, found by id and by kind without looking through all of them. It never changes, and one more
 * costs the same however many there are: what follows is written into the shelf that both stand on, of which each sees
 * as much as was there when it was made.
 */
final readonly class Entries
{
    private function __construct(private EntryShelf $shelf, private int $count)
    {
    }

    /** @param list<Entry<Payload>> $all */
    public static function of(array $all): self
    {
        return (new self(new EntryShelf(), 0))->with($all);
    }

    /** @param list<Entry<Payload>> $more after those that are here */
    public function with(array $more): self
    {
        $shelf = $this->isWhole() ? $this->shelf : new EntryShelf($this->all());
        $shelf->add($more);

        return new self($shelf, $this->count + \count($more));
    }

    /** @return list<Entry<Payload>> */
    public function all(): array
    {
        return $this->isWhole() ? $this->shelf->all : \array_slice($this->shelf->all, 0, $this->count);
    }

    /** @return list<Entry<Payload>> those after the first so many */
    public function from(int $first): array
    {
        return \array_slice($this->shelf->all, $first, $this->count - $first);
    }

    public function count(): int
    {
        return $this->count;
    }

    /** @return Entry<Payload>|null the later one where an id stands twice */
    public function byId(string $id): ?Entry
    {
        $at = $this->shelf->at[$id] ?? $this->count;

        return $at < $this->count ? $this->shelf->all[$at] : null;
    }

    /**
     * @template T of Payload
     *
     * @param class-string<T> $type
     *
     * @return list<Entry<T>>
     */
    public function only(string $type): array
    {
        $kind = $type::kind();
        /** @var list<Entry<T>> $only */
        $only = $this->isWhole()
            ? $this->shelf->byKind[$kind->value] ?? []
            : array_values(array_filter($this->all(), static fn (Entry $entry): bool => $entry->kind === $kind));

        return $only;
    }

    public function has(Kind $kind): bool
    {
        return [] !== $this->only($kind->payloadClass());
    }

    private function isWhole(): bool
    {
        return $this->count === \count($this->shelf->all);
    }
}
