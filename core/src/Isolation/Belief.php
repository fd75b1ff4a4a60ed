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
     * @param array<string, Family> $families what the model says of the readings, by family
     * @param non-empty-list<non-empty-array<int, float>> $logs of the unnormalised weights that are not gone, by slips,
     *     then hypothesis
     */
    private function __construct(
        public readonly Field $field,
        public readonly Opening $opening,
        public readonly array $readings,
        private readonly ?Testimony $testimony,
        private readonly array $families,
        public readonly Weights $weights,
        private readonly array $logs,
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
        $knowledge = $field->knowledge;
        $things = [];
        foreach (Reading::standing($readings) as $reading) {
            $things[$field->same($reading->check)] = $reading;
        }
        $readings = array_values($things);
        $said = $evidence = [];
        foreach ($readings as $n => $reading) {
            $check = $knowledge->checks->of($reading->check);
            if ($check->role->asked) {
                $said[$n] = $reading;
                continue;
            }
            foreach (Evidence::of($field, $opening, $n, $reading) as $m => $row) {
                $cause = '' === $row->cause ? $n.' '.$m : $row->cause;
                $evidence[$check->family][$cause][] = $row;
            }
        }
        $testimony = Testimony::of($field, $opening, $said, $knowledge->drivers, $opening->soundTold);
        $families = [];
        foreach ($evidence as $family => $causes) {
            $families[$family] = new Family(
                $knowledge->drivers->astray($family),
                array_map(SharedCause::of(...), $causes),
            );
        }
        $logs = self::sums($opening, $testimony, $families);
        [$scaled, $top] = Weights::scaled($logs);
        $live = [];
        foreach ($scaled[0] as $i => $weight) {
            if (max($weight, $scaled[1][$i], $scaled[2][$i]) > self::GONE) {
                $live[$i] = true;
            }
        }

        return new self(
            $field,
            $opening,
            $readings,
            $testimony,
            $families,
            Weights::ofScaled($scaled, $field->named(), $top),
            array_map(static fn (array $column): array => self::kept($column, $live), $logs),
        );
    }

    /**
     * @param non-empty-array<int, float> $column
     * @param array<int, true> $live
     *
     * @return non-empty-array<int, float> the heaviest are always kept
     */
    private static function kept(array $column, array $live): array
    {
        $kept = array_intersect_key($column, $live);

        return [] === $kept ? $column : $kept;
    }

    /** What would be believed without one reading; what is gone with it is left out. */
    public function without(int $reading): Weights
    {
        if (!isset($this->without[$reading])) {
            // taken away from the whole: nobody adds up all the others again
            $logs = $this->logs;
            if (\in_array($reading, $this->testimony->readings ?? [], true)) {
                $less = $this->lessSaid($reading);
                foreach ($logs as $f => $column) {
                    foreach ($column as $i => $log) {
                        $logs[$f][$i] = $log - ($this->testimony->logs[$i] ?? 0.0) + ($less->logs[$i] ?? 0.0);
                    }
                }
            }
            foreach ($this->families as $family) {
                foreach ($family->has($reading) ? $logs : [] as $f => $column) {
                    $with = $family->logs($f, $column);
                    $less = $family->logsWithout($f, $reading, $column);
                    foreach ($column as $i => $log) {
                        $logs[$f][$i] = $log - $with[$i] + $less[$i];
                    }
                }
            }
            [$scaled] = Weights::scaled($logs);
            $this->without[$reading] = Weights::ofScaled($scaled, $this->field->named(), 0.0);
        }

        return $this->without[$reading];
    }

    private function lessSaid(int $reading): ?Testimony
    {
        $said = [];
        foreach ($this->testimony->readings ?? [] as $n) {
            if ($n !== $reading) {
                $said[$n] = $this->readings[$n];
            }
        }
        $sound = $this->opening->soundTold;

        return Testimony::of($this->field, $this->opening, $said, $this->field->knowledge->drivers, $sound);
    }

    /** @return array<string, float> groups without one reading, in no order */
    public function groupsWithout(int $reading): array
    {
        return $this->groupsWithout[$reading] ??= $this->field->groupSums($this->without($reading)->posterior);
    }

    /** How much of a cause's error was already met by other readings of this epoch. */
    public function knows(string $cause): bool
    {
        foreach ($this->families as $family) {
            if (isset($family->causes[$cause])) {
                return true;
            }
        }

        return false;
    }

    /** How many readings of a family were taken. */
    public function asked(string $family): int
    {
        $asked = 0;
        foreach ($this->readings as $n => $_) {
            $asked += (int) (isset($this->families[$family]) && $this->families[$family]->has($n));
        }

        return $asked;
    }

    /** How well a repair group fits what the driver said, against everything together; 1 where he said nothing. */
    public function fitsWhatWasSaid(GroupAt $group): float
    {
        return $this->testimony?->fits($this->opening, $this->field->membersOf($group)) ?? 1.0;
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
     * @param array<string, Family> $families
     *
     * @return non-empty-list<non-empty-array<int, float>> logs of the unnormalised weights, by slips, then hypothesis
     */
    private static function sums(Opening $opening, ?Testimony $testimony, array $families): array
    {
        $start = [];
        foreach ($opening->weights as $i => $weight) {
            $start[$i] = log(max($weight, self::LEAST)) + ($testimony->logs[$i] ?? 0.0);
        }
        $sums = [];
        foreach (Evidence::SLIPS as $f => [, $share]) {
            $sum = $start;
            foreach ($families as $family) {
                foreach ($family->logs($f, $start) as $i => $log) {
                    $sum[$i] += $log;
                }
            }
            $rest = log($share);
            foreach ($sum as $i => $log) {
                $sum[$i] = $log + $rest;
            }
            $sums[] = $sum;
        }

        return $sums;
    }
}
