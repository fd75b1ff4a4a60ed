<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * What follows from an opening belief and the readings of its epoch: a pure function of both, whatever the
 * order of the readings. Readings that share a cause of error are judged together, the cause summed out; so is the
 * share of this job's answers that are slips.
 */
final class Belief
{
    /** No weight to start from counts as less. */
    private const LEAST = 1e-200;
    /** Against the heaviest, what is lighter comes back into sight by no single reading taken away. */
    private const GONE = 1e-20;

    /** @var array<string, float> mass by repair group, heaviest first; of a pair both */
    public readonly array $groups;
    /** @var array<string, float> mass by fault at place, heaviest first; of a pair both */
    public readonly array $suspects;
    /** @var array<int, Weights> by reading left out */
    private array $without = [];
    /** @var array<int, array<string, float>> by reading left out */
    private array $groupsWithout = [];

    /**
     * @param list<Reading> $readings
     * @param array<string, Told> $told by cause that is shared
     * @param array<int, array<string, true>> $causes of each reading
     * @param list<array<int, float>> $scaled weights against the heaviest, by slips, then
     *     hypothesis: those that are not gone, "a second fault" last
     */
    private function __construct(
        public readonly Field $field,
        public readonly Opening $opening,
        public readonly array $readings,
        private readonly array $told,
        private readonly array $causes,
        public readonly Weights $weights,
        private readonly array $scaled,
    ) {
        $this->groups = $field->byGroup($weights->posterior);
        $this->suspects = $field->bySuspect($weights->posterior);
    }

    /**
     * @param list<Reading> $readings
     *
     * @throws InvalidData when a reading names an unknown check, row or word
     */
    public static function of(Field $field, Opening $opening, array $readings): self
    {
        $things = [];
        foreach (Reading::standing($readings) as $reading) {
            $things[$field->same($reading->check)] = $reading;
        }
        $readings = array_values($things);
        $evidence = $causes = [];
        foreach ($readings as $n => $reading) {
            foreach (Evidence::of($field, $opening, $n, $reading) as $m => $row) {
                $cause = '' === $row->cause ? $n.' '.$m : $row->cause;
                $evidence[$cause][] = $row;
                $causes[$n][$cause] = true;
            }
        }
        $told = array_map(Told::of(...), $evidence);
        $last = \count($opening->weights);
        [$scaled, $top] = Weights::scaled(self::sums($opening, $told));
        $live = [];
        foreach ($scaled[0] as $i => $weight) {
            if ($i === $last || max($weight, $scaled[1][$i], $scaled[2][$i]) > self::GONE) {
                $live[$i] = true;
            }
        }

        return new self(
            $field,
            $opening,
            $readings,
            $told,
            $causes,
            Weights::ofScaled($scaled, $last, $top),
            array_map(static fn (array $column): array => array_intersect_key($column, $live), $scaled),
        );
    }

    /** What would be believed without one reading; what is gone with it is left out. */
    public function without(int $reading): Weights
    {
        if (!isset($this->without[$reading])) {
            // taken away from the whole: nobody adds up all the others again
            $scaled = $this->scaled;
            foreach (array_keys($this->causes[$reading] ?? []) as $cause) {
                foreach ($this->told[$cause]->lifted($reading, $scaled[0]) as $f => $factors) {
                    foreach ($scaled[$f] as $i => $weight) {
                        $scaled[$f][$i] = $weight * $factors[$i];
                    }
                }
            }
            $this->without[$reading] = Weights::ofScaled($scaled, \count($this->opening->weights), 0.0);
        }

        return $this->without[$reading];
    }

    /** @return array<string, float> groups without one reading, in no order */
    public function groupsWithout(int $reading): array
    {
        return $this->groupsWithout[$reading] ??= $this->field->groupSums($this->without($reading)->posterior);
    }

    /** How much of a cause's error was already met by other readings of this epoch. */
    public function knows(string $cause): bool
    {
        return isset($this->told[$cause]);
    }

    public function second(): float
    {
        return $this->weights->second;
    }

    public function group(GroupAt|string $group): float
    {
        return $this->groups[(string) $group] ?? 0.0;
    }

    /** The likeliest fault of a repair group: what its finding says. */
    public function leadingSuspect(GroupAt $group): ?SuspectAt
    {
        foreach (array_keys($this->suspects) as $suspect) {
            $at = SuspectAt::parse($suspect);
            if ($this->field->groupOf($at)->is($group)) {
                return $at;
            }
        }

        return null;
    }

    /** @return array{GroupAt, float} the leading repair group and its mass */
    public function leader(): array
    {
        $group = (string) array_key_first($this->groups);

        return [GroupAt::parse($group), $this->groups[$group]];
    }

    /** @param array<int, float> $masses */
    public static function entropy(array $masses): float
    {
        $bits = 0.0;
        foreach ($masses as $mass) {
            if ($mass > 0.0) {
                $bits -= $mass * log($mass);
            }
        }

        return $bits / \M_LN2;
    }

    /**
     * @param array<string, Told> $told
     *
     * @return non-empty-list<non-empty-array<int, float>> logs of the unnormalised weights, by slips, then hypothesis
     */
    private static function sums(Opening $opening, array $told): array
    {
        $start = array_map(static fn (float $w): float => log(max($w, self::LEAST)), $opening->weights);
        $second = log(max($opening->second, self::LEAST));
        $sums = [];
        foreach (Evidence::SLIPS as $f => [, $share]) {
            $sum = $start;
            $rest = log($share);
            $last = $second;
            foreach ($told as $cause) {
                $logs = $cause->logs($f);
                foreach ($cause->of as $i => $entry) {
                    $sum[$i] += $logs[$entry];
                }
                $last += $logs[\count($logs) - 1];
            }
            $sum[] = $last;
            foreach ($sum as $i => $log) {
                $sum[$i] = $log + $rest;
            }
            $sums[] = $sum;
        }

        return $sums;
    }
}
