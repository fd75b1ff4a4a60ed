<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;

/** One answered check: a word or a typed number for each row that was read. */
final readonly class Reading
{
    /** @var list<string> further words of the one row, each counting half: what else was said */
    public array $also;
    /** How often it was taken in this epoch. */
    public int $times;
    /** @var array<string, list<string>> words of earlier takes in this epoch, by row */
    public array $earlier;
    /** @var list<string> rows of a round that were answered by "nothing else odd" */
    public array $covered;

    /**
     * @param non-empty-array<string, string> $outcomes word by row id ('' when the check has one answer)
     * @param array<string, float> $numbers typed numbers by row, in core units; the row's word stands beside it
     * @param bool $unsure counts half: likelihood to the power 0.5
     */
    public function __construct(
        public string $id,
        public CheckAt $check,
        public array $outcomes,
        public bool $unsure,
        public \DateTimeImmutable $takenAt,
        public array $numbers = [],
        ?HowTaken $how = null,
    ) {
        $this->also = $how->also ?? [];
        $this->times = $how->times ?? 1;
        $this->earlier = $how->earlier ?? [];
        $this->covered = $how->covered ?? [];
    }

    /** The log's entry that it comes from; several of one intake share theirs. */
    public function entry(): string
    {
        return explode('#', $this->id)[0];
    }

    /** Taken once, or twice with two answers: a third take decides. */
    public function bearsAnother(): bool
    {
        return 1 === $this->times || (2 === $this->times && $this->isTorn());
    }

    /** Two takes said different things of one row. */
    public function isTorn(): bool
    {
        foreach ($this->earlier as $row => $words) {
            $now = isset($this->numbers[$row]) ? null : $this->outcomes[$row] ?? null;
            if (null !== $now && [] !== array_diff($words, [$now])) {
                return true;
            }
        }

        return false;
    }

    /** The same check made before, in the same epoch. */
    private function after(self $before): self
    {
        $again = [] !== array_intersect_key($this->outcomes, $before->outcomes);
        $earlier = $before->earlier;
        foreach (array_intersect_key($before->outcomes, $this->outcomes) as $row => $word) {
            $earlier[$row][] = $word;
        }

        $left = array_map(strval(...), array_keys(array_diff_key($before->outcomes, $this->outcomes)));
        $covered = [...$this->covered, ...array_values(array_intersect($before->covered, $left))];

        return new self(
            $this->id,
            $this->check,
            $this->outcomes + $before->outcomes,
            $this->unsure,
            $this->takenAt,
            $this->numbers + array_diff_key($before->numbers, $this->outcomes),
            new HowTaken($this->also, $before->times + (int) $again, $earlier, $covered),
        );
    }

    /**
     * Of two readings of the same check the one taken later stands; rows that it left open stay as they were.
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
            $before = $latest[(string) $reading->check] ?? null;
            unset($latest[(string) $reading->check]);
            $latest[(string) $reading->check] = null === $before ? $reading : $reading->after($before);
        }

        return array_values($latest);
    }
}
