<?php

declare(strict_types=1);

namespace Rodrel\Core;

/** What is wrong in a set of documents, gathered while reading on, so that all of it is said at once. */
final class Mistakes
{
    /** @var list<array{path: string, what: string}> */
    private array $all = [];

    public function add(string $path, string $what): void
    {
        $mistake = ['path' => $path, 'what' => $what];
        if (!\in_array($mistake, $this->all, true)) {
            $this->all[] = $mistake;
        }
    }

    public function none(): bool
    {
        return [] === $this->all;
    }

    /** @return list<array{path: string, what: string}> in the order they were found */
    public function all(): array
    {
        return $this->all;
    }
}
