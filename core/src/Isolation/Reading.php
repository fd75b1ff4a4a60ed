<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;

/** One answered check: a word or a typed number for each row that was read. */
final readonly class Reading
{
    /**
     * @param non-empty-array<string, string> $outcomes word by row id ('' when the check has one answer)
     * @param array<string, float> $numbers typed numbers by row, in core units; the row's word stands beside it
     * @param bool $unsure counts half: likelihood to the power 0.5
     * @param list<string> $also further words of the one row, each counting half: what else was said
     */
    public function __construct(
        public string $id,
        public CheckAt $check,
        public array $outcomes,
        public bool $unsure,
        public \DateTimeImmutable $takenAt,
        public array $numbers = [],
        public array $also = [],
    ) {
    }

    /** The log's entry that it comes from; several of one intake share theirs. */
    public function entry(): string
    {
        return explode('#', $this->id)[0];
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
            unset($latest[(string) $reading->check]);
            $latest[(string) $reading->check] = $reading;
        }

        return array_values($latest);
    }
}
