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
    /** No chance counts as less: one reading alone never makes a thing impossible. */
    private const LEAST = 1e-300;

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
     * @param array<string, list<Evidence>> $evidence by cause that is shared
     * @param array<string, list<array<int, float>>> $logs by cause, then slips, then hypothesis
     * @param non-empty-list<non-empty-array<int, float>> $sums all of them, by slips, then hypothesis
     */
    private function __construct(
        public readonly Field $field,
        public readonly Opening $opening,
        public readonly array $readings,
        private readonly array $evidence,
        private readonly array $logs,
        public readonly Weights $weights,
        private readonly array $sums,
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
        $evidence = $logs = [];
        foreach ($readings as $n => $reading) {
            foreach (Evidence::of($field, $opening, $n, $reading) as $m => $row) {
                $evidence['' === $row->cause ? $n.' '.$m : $row->cause][] = $row;
            }
        }
        foreach ($evidence as $cause => $rows) {
            $logs[$cause] = self::logs($rows);
        }

        $sums = self::sums($opening, $logs);

        return new self($field, $opening, $readings, $evidence, $logs, Weights::of($sums), $sums);
    }

    /** What would be believed without one reading. */
    public function without(int $reading): Weights
    {
        if (!isset($this->without[$reading])) {
            // taken away from the whole: nobody adds up all the others again
            $sums = $this->sums;
            foreach ($this->evidence as $cause => $rows) {
                $left = array_values(
                    array_filter($rows, static fn (Evidence $row): bool => $row->reading !== $reading),
                );
                if (\count($left) < \count($rows)) {
                    $stays = self::logs($left);
                    foreach ($this->logs[$cause] as $f => $column) {
                        foreach ($column as $i => $log) {
                            $sums[$f][$i] += ($stays[$f][$i] ?? 0.0) - $log;
                        }
                    }
                }
            }
            $this->without[$reading] = Weights::of($sums);
        }

        return $this->without[$reading];
    }

    /** @return array<string, float> groups without one reading */
    public function groupsWithout(int $reading): array
    {
        return $this->groupsWithout[$reading] ??= $this->field->byGroup($this->without($reading)->posterior);
    }

    /** How much of a cause's error was already met by other readings of this epoch. */
    public function knows(string $cause): bool
    {
        return isset($this->evidence[$cause]);
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
            $bits -= $mass > 0.0 ? $mass * log($mass, 2.0) : 0.0;
        }

        return $bits;
    }

    /**
     * @param array<string, list<array<int, float>>> $logs
     *
     * @return non-empty-list<non-empty-array<int, float>> by slips, then hypothesis
     */
    private static function sums(Opening $opening, array $logs): array
    {
        $start = array_map(static fn (float $w): float => log(max($w, self::LEAST)), $opening->weights);
        $start[] = log(max($opening->second, self::LEAST));
        $sums = [];
        foreach (Evidence::SLIPS as $f => [, $share]) {
            $sum = [];
            foreach ($start as $log) {
                $sum[] = $log + log($share);
            }
            foreach ($logs as $column) {
                foreach ($column[$f] ?? [] as $i => $log) {
                    $sum[$i] += $log;
                }
            }
            $sums[] = $sum;
        }

        return $sums;
    }

    /**
     * Rows that share a cause, the cause summed out.
     *
     * @param list<Evidence> $rows
     *
     * @return list<array<int, float>> by slips, then hypothesis; empty where nothing is left
     */
    private static function logs(array $rows): array
    {
        $logs = [];
        foreach ([] === $rows ? [] : array_keys(Evidence::SLIPS) as $f) {
            $sum = [];
            foreach ($rows[0]->weights as $z => $weight) {
                $product = $rows[0]->columns[$f][$z];
                foreach ($rows as $n => $row) {
                    if (0 !== $n) {
                        foreach ($row->columns[$f][$z] as $i => $chance) {
                            $product[$i] *= $chance;
                        }
                    }
                }
                if ([] === $sum && 1.0 === $weight) {
                    $sum = $product;
                    continue;
                }
                foreach ($product as $i => $chance) {
                    $sum[$i] = ($sum[$i] ?? 0.0) + $weight * $chance;
                }
            }
            $log = [];
            foreach ($sum as $chance) {
                $log[] = log($chance > self::LEAST ? $chance : self::LEAST);
            }
            $logs[] = $log;
        }

        return $logs;
    }
}
