<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** One answered check: a word or a typed number for each row that was read. */
final readonly class Reading
{
    /**
     * @param string                          $check    check id at place, `spin@vehicle`
     * @param non-empty-array<string, string> $outcomes word by row id ('' when the check has one answer)
     * @param array<string, float>            $numbers  typed numbers by row, in core units; the row's word stands beside it
     * @param bool                            $unsure   counts half: likelihood to the power 0.5
     */
    public function __construct(
        public string $id,
        public string $check,
        public array $outcomes,
        public bool $unsure,
        public \DateTimeImmutable $takenAt,
        public array $numbers = [],
    ) {
    }

    /**
     * Of two readings of the same check the one taken later stands.
     *
     * @param list<self> $readings
     *
     * @return list<self> in the order they were taken
     */
    public static function standing(array $readings): array
    {
        usort($readings, static fn (self $a, self $b): int => $a->takenAt <=> $b->takenAt);
        $latest = [];
        foreach ($readings as $reading) {
            unset($latest[$reading->check]);
            $latest[$reading->check] = $reading;
        }

        return array_values($latest);
    }
}
