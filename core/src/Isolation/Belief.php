<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\InvalidData;

/**
 * What follows from an opening belief and the readings of its epoch: a pure function of both, whatever the
 * order of the readings.
 */
final readonly class Belief
{
    /** Suspects lighter than this at the start are not asked whether they would have explained everything. */
    private const WORTH_ASKING = 1e-4;

    /**
     * @param array<int, float>             $posterior   by particle; with $second it sums to 1
     * @param array<string, float>          $groups      mass by repair group, heaviest first
     * @param array<string, float>          $suspects    mass by fault at place, heaviest first
     * @param array<int, array<int, float>> $likelihoods by reading, then particle
     * @param array<int, float>             $background  by reading: its chance when another fault may be behind it
     * @param list<Reading>                 $readings
     */
    private function __construct(
        public Field $field,
        public Opening $opening,
        public array $readings,
        public array $likelihoods,
        public array $background,
        public array $posterior,
        public float $second,
        public array $groups,
        public array $suspects,
        /** @var array<int, float> log of the unnormalised weight, by particle */
        private array $logs,
        private float $secondLog,
    ) {
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
        foreach ($readings as $n => $reading) {
            $likelihoods[$n] = self::likelihood($field, $reading);
            $background[$n] = self::average($likelihoods[$n], $opening->weights);
        }

        return self::combine($field, $opening, $readings, $likelihoods, $background);
    }

    /** The same without one reading; costs no new look-up. */
    public function without(int $reading): self
    {
        $gone = [$reading => true];
        $logs = $this->logs;
        foreach ($this->likelihoods[$reading] as $i => $chance) {
            $logs[$i] -= log(max($chance, 1e-300));
        }

        return self::weigh($this->field, $this->opening, array_values(array_diff_key($this->readings, $gone)), array_values(array_diff_key($this->likelihoods, $gone)), array_values(array_diff_key($this->background, $gone)), $logs, $this->secondLog - log(max($this->background[$reading], 1e-300)));
    }

    public function group(string $group): float
    {
        return $this->groups[$group] ?? 0.0;
    }

    /** The likeliest fault of a repair group: what its finding says. */
    public function leadingSuspect(string $group): ?string
    {
        $masses = [];
        foreach ($this->field->suspectOf as $i => $suspect) {
            if ($this->field->groups[$this->field->groupOf[$i]] === $group) {
                $masses[$this->field->suspects[$suspect]] = ($masses[$this->field->suspects[$suspect]] ?? 0.0) + $this->posterior[$i];
            }
        }
        arsort($masses);

        return array_key_first($masses);
    }

    /** @return array{string, float}|null the leading repair group and its mass */
    public function leader(): ?array
    {
        $group = array_key_first($this->groups);

        return null === $group ? null : [$group, $this->groups[$group]];
    }

    /** How well the best single suspect explains all readings: the log of their chance under it, severities weighed as before the readings. */
    public function bestFit(): float
    {
        $top = max($this->secondLog, ...$this->logs);
        $joint = $prior = array_fill(0, \count($this->field->suspects), 0.0);
        foreach ($this->field->suspectOf as $i => $suspect) {
            $joint[$suspect] += exp($this->logs[$i] - $top);
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

    /** Chance of a reading under one suspect (fault at place), severities weighed as believed without it. */
    public function chanceUnder(int $reading, string $suspect): float
    {
        $weights = $this->without($reading)->posterior;
        $sum = $hit = 0.0;
        foreach (array_keys($this->field->particles) as $i) {
            if ($this->field->suspects[$this->field->suspectOf[$i]] === $suspect) {
                $sum += $weights[$i];
                $hit += $weights[$i] * $this->likelihoods[$reading][$i];
            }
        }

        return $sum > 0.0 ? $hit / $sum : 0.0;
    }

    /** Entropy over repair groups in bits, "a second fault" counted as one of them. */
    public function entropyBits(): float
    {
        return self::entropy([...array_values($this->groups), $this->second]);
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
        foreach ($reading->outcomes as $row => $outcome) {
            foreach ($field->likelihood($reading->check, $row, $outcome, $reading->numbers[$row] ?? null) as $i => $chance) {
                $product[$i] *= $chance;
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

        return $hit / max($sum, 1e-300);
    }

    /**
     * @param list<Reading>                 $readings
     * @param array<int, array<int, float>> $likelihoods
     * @param array<int, float>             $background
     */
    private static function combine(Field $field, Opening $opening, array $readings, array $likelihoods, array $background): self
    {
        $logs = array_map(static fn (float $w): float => log(max($w, 1e-300)), $opening->weights);
        $second = log(max($opening->second, 1e-300));
        foreach ($likelihoods as $n => $byParticle) {
            foreach ($byParticle as $i => $chance) {
                $logs[$i] += log(max($chance, 1e-300));
            }
            $second += log(max($background[$n], 1e-300));
        }

        return self::weigh($field, $opening, $readings, $likelihoods, $background, $logs, $second);
    }

    /**
     * @param list<Reading>                 $readings
     * @param array<int, array<int, float>> $likelihoods
     * @param array<int, float>             $background
     * @param array<int, float>             $logs        log of the unnormalised weight, by particle
     */
    private static function weigh(Field $field, Opening $opening, array $readings, array $likelihoods, array $background, array $logs, float $second): self
    {
        $top = max($second, ...$logs);
        $rest = exp($second - $top);
        $sum = $rest;
        $posterior = [];
        foreach ($logs as $i => $log) {
            $sum += $posterior[$i] = exp($log - $top);
        }
        $groupMass = array_fill(0, \count($field->groups), 0.0);
        $suspectMass = array_fill(0, \count($field->suspects), 0.0);
        foreach ($posterior as $i => $weight) {
            $posterior[$i] = $weight /= $sum;
            $groupMass[$field->groupOf[$i]] += $weight;
            $suspectMass[$field->suspectOf[$i]] += $weight;
        }
        $groups = array_combine($field->groups, $groupMass);
        $suspects = array_combine($field->suspects, $suspectMass);
        arsort($groups);
        arsort($suspects);

        return new self($field, $opening, $readings, $likelihoods, $background, $posterior, $rest / $sum, $groups, $suspects, $logs, $second);
    }
}
