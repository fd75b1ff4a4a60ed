<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What one job's complaints call for, taken together. */
final readonly class Route
{
    /**
     * @param list<string> $own ids of checks without which nobody lets such a vehicle go, in their order
     * @param list<string> $tried how the complaint is tried under its own conditions, only once all else is sound
     * @param list<string> $more what splits what is left
     * @param bool $serious such a vehicle is never let go as sound
     */
    public function __construct(
        public array $own,
        public array $tried,
        public array $more,
        public bool $serious,
    ) {
    }

    public function has(string $check): bool
    {
        return \in_array($check, $this->own, true) || \in_array($check, $this->more, true);
    }
}
