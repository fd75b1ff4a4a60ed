<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * What follows from an opening belief and the readings of its epoch: a pure function of both, whatever the
 * order of the readings.
 */
final class Belief
{
    /**
     * Suspects lighter than this at the start are not asked whether they would have explained everything (estimate).
     */
    private const WORTH_ASKING = 1e-4;
    /** No chance counts as less: one reading alone never makes a thing impossible. */
    private const LEAST = 1e-300;

    /** @var array<string, float> mass by repair group, heaviest first */
    public readonly array $groups;
    /** @var array<string, float> mass by fault at place, heaviest first */
    public readonly array $suspects;
    /** @var array<int, Weights> by reading left out */
    private array $without = [];
    /** @var array<int, float> by reading */
    private array $chances = [];

    /**
     * @param list<Reading> $readings
     * @param array<int, array<int, float>> $likelihoods by reading, then particle
     * @param array<int, float> $background by reading: its chance when another fault may be behind it
     */
    private function __construct(
        public readonly Field $field,
        public readonly Opening $opening,
        public readonly array $readings,
        public readonly array $likelihoods,
        public readonly array $background,
        public readonly Weights $weights,
    ) {
        $this->groups = $field->groups->sums($weights->posterior);
        $this->suspects = $field->suspects->sums($weights->posterior);
    }

    /**
     * @param list<Reading> $readings
     *
     * @throws InvalidData when a reading names an unknown check, row or word
     */
    public static function of(Field $field, Opening $opening, array $readings): self
    {
        $readings = Reading::standing($readings);
        $likelihoods = $background = [];
        $logs = array_map(static fn (float $w): float => log(max($w, self::LEAST)), $opening->weights);
        $second = log(max($opening->second, self::LEAST));
        foreach ($readings as $n => $reading) {
            $likelihoods[$n] = self::likelihood($field, $reading);
            $background[$n] = self::average($likelihoods[$n], $opening->weights);
            foreach ($likelihoods[$n] as $i => $chance) {
                $logs[$i] += log(max($chance, self::LEAST));
            }
            $second += log(max($background[$n], self::LEAST));
        }

        return new self($field, $opening, $readings, $likelihoods, $background, Weights::of($logs, $second));
    }

    /** What would be believed without one reading; costs no new look-up. */
    public function without(int $reading): Weights
    {
        if (!isset($this->without[$reading])) {
            $logs = $this->weights->logs;
            foreach ($this->likelihoods[$reading] as $i => $chance) {
                $logs[$i] -= log(max($chance, self::LEAST));
            }
            $second = $this->weights->secondLog - log(max($this->background[$reading], self::LEAST));
            $this->without[$reading] = Weights::of($logs, $second);
        }

        return $this->without[$reading];
    }

    /** How likely a reading was, all the others taken together. */
    public function chanceOf(int $reading): float
    {
        if (!isset($this->chances[$reading])) {
            $before = $this->without($reading);
            $sum = $before->second * $this->background[$reading];
            foreach ($this->likelihoods[$reading] as $i => $chance) {
                $sum += $before->posterior[$i] * $chance;
            }
            $this->chances[$reading] = $sum;
        }

        return $this->chances[$reading];
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

    /**
     * How well the best single suspect explains the readings: the log of their chance under it, severities weighed as
     * before the readings.
     */
    public function bestFit(Weights $weights): float
    {
        $suspects = $this->field->suspects;
        $top = max($weights->secondLog, ...$weights->logs);
        $joint = $prior = array_fill(0, \count($suspects->names), 0.0);
        foreach ($suspects->of as $i => $suspect) {
            $joint[$suspect] += exp($weights->logs[$i] - $top);
            $prior[$suspect] += $this->opening->weights[$i];
        }
        $best = -\INF;
        foreach ($joint as $suspect => $mass) {
            if ($mass > 0.0 && $prior[$suspect] > self::WORTH_ASKING) {
                $best = max($best, $top + log($mass / $prior[$suspect]));
            }
        }

        return $best;
    }

    /** Entropy over repair groups in bits, "a second fault" counted as one of them. */
    public function entropyBits(): float
    {
        return self::entropy([...array_values($this->groups), $this->weights->second]);
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

    /** @return array<int, float> product over the rows of a reading, softened when unsure */
    private static function likelihood(Field $field, Reading $reading): array
    {
        $product = array_fill(0, \count($field->particles), 1.0);
        foreach ($reading->outcomes as $row => $word) {
            $column = $field->likelihood($reading->check, $row, $word, $reading->numbers[$row] ?? null);
            foreach ($column as $i => $chance) {
                $product[$i] *= $chance;
            }
        }
        foreach ($reading->also as $word) {
            // said in the same breath: it counts half
            foreach ($field->likelihood($reading->check, '', $word) as $i => $chance) {
                $product[$i] *= sqrt($chance);
            }
        }

        return $reading->unsure ? array_map(sqrt(...), $product) : $product;
    }

    /**
     * @param array<int, float> $values
     * @param array<int, float> $weights
     */
    private static function average(array $values, array $weights): float
    {
        $sum = $hit = 0.0;
        foreach ($weights as $i => $weight) {
            $sum += $weight;
            $hit += $weight * $values[$i];
        }

        return $hit / max($sum, self::LEAST);
    }
}
