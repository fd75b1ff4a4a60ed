<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/**
 * Readings of one kind: spins, holds, heat … The model is a little wrong on every real vehicle, in the same way each
 * time it is asked. So a share of vehicles does not behave there as the model says, drawn once for the family: all its
 * readings together never separate two hypotheses by more than one over that share, however often it is asked.
 */
final readonly class Family
{
    /** No chance counts as less. */
    private const LEAST = 1e-300;

    /**
     * @param float $astray share of vehicles that do not behave as the model says; 0 for what is seen in itself
     * @param array<string, SharedCause> $causes by what their readings share
     */
    public function __construct(private float $astray, public array $causes)
    {
    }

    /**
     * How likely its readings are together.
     *
     * @param array<int, mixed> $hypotheses by which it is wanted
     *
     * @return array<int, float> log by hypothesis
     */
    public function logs(int $slips, array $hypotheses): array
    {
        $sum = array_fill_keys(array_keys($hypotheses), 0.0);
        foreach ($this->causes as $cause) {
            $logs = $cause->logs($slips);
            foreach ($sum as $i => $log) {
                $sum[$i] = $log + $logs[$cause->of[$i]];
            }
        }

        return $this->tempered($sum);
    }

    /**
     * The same without one reading.
     *
     * @param array<int, mixed> $hypotheses
     *
     * @return array<int, float> log by hypothesis
     */
    public function logsWithout(int $slips, int $reading, array $hypotheses): array
    {
        $sum = array_fill_keys(array_keys($hypotheses), 0.0);
        foreach ($this->causes as $cause) {
            foreach ($cause->logsWithout($slips, $reading, $hypotheses) as $i => $log) {
                $sum[$i] += $log;
            }
        }

        return $this->tempered($sum);
    }

    public function has(int $reading): bool
    {
        foreach ($this->causes as $cause) {
            if ($cause->has($reading)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<int, float> $logs
     *
     * @return array<int, float>
     */
    private function tempered(array $logs): array
    {
        if ($this->astray <= 0.0 || [] === $logs) {
            return $logs;
        }
        $most = max($logs);
        foreach ($logs as $i => $log) {
            $logs[$i] = $most + log(max(self::LEAST, exp($log - $most) + $this->astray));
        }

        return $logs;
    }
}
