<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

use Rodrel\Core\Isolation\Reading;

/** The proof of an epoch, computed from its readings and its repair sheet. */
final readonly class ProofRun
{
    private const EVERY_WHEEL = ['lf' => ['one-finger'], 'rf' => ['one-finger'], 'lr' => ['one-finger'], 'rr' => ['one-finger']];
    /** criterion → [check, rows that must read so, standing part] */
    private const CRITERIA = [
        'first-stroke' => ['first-stroke', ['' => ['normal']], true],
        'firm-hold' => ['pedal', ['travel' => ['normal'], 'sink' => ['none']], true],
        'dry' => ['look', ['wet' => ['good']], true],
        'level' => ['look', ['level' => ['good']], true],
        'lamp' => ['look', ['lamp' => ['good']], true],
        'spin-hard' => ['spin-hard', self::EVERY_WHEEL, true],
        'complaint' => ['complaint-again', ['' => ['gone']], false],
        'spin-hot' => ['spin-hot', self::EVERY_WHEEL, false],
    ];

    /** What a wheel may read on each loop: nothing but drag heats a wheel that coasts, and every wheel must take its share of stops. */
    private const HEAT_WORDS = ['heat-loop' => ['cool', 'as-expected'], 'brake-loop' => ['as-expected']];

    /** @param list<Criterion> $criteria in the order to take them */
    private function __construct(public array $criteria)
    {
    }

    /**
     * @param list<Reading>         $readings    of the epoch that the repair opened
     * @param list<string>          $openSteps   required steps of the repair sheet not done or not confirmed
     * @param list<string>          $safetyItems open items that bar the way: plugs, props, pulled relays
     * @param array<string, string> $waived      criterion → reason
     * @param string|null           $heatLoop    the heat check that was made before the repair: the same loop proves it
     */
    public static function of(array $readings, array $openSteps, array $safetyItems, array $waived, ?string $heatLoop = null): self
    {
        $criteria = [];
        foreach (self::CRITERIA as $id => [$check, $rows, $standing]) {
            if (!$standing && !isset($criteria['torque'])) {
                $criteria['torque'] = self::computed('torque', $openSteps, $waived);
                $criteria['left-over'] = self::computed('left-over', $safetyItems, []);
            }
            if ('spin-hot' === $id && null !== $heatLoop) {
                $criteria['heat'] = self::read('heat', $heatLoop.'@vehicle', array_fill_keys(['lf', 'rf', 'lr', 'rr'], self::HEAT_WORDS[$heatLoop] ?? ['as-expected']), false, $readings, $waived);
            }
            $criteria[$id] = self::read($id, $check.'@vehicle', $rows, $standing, $readings, $waived);
        }

        return new self(array_values($criteria));
    }

    public function criterion(string $id): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if ($criterion->id === $id) {
                return $criterion;
            }
        }

        return null;
    }

    public function standingPassed(): bool
    {
        return $this->settled(true);
    }

    public function passed(): bool
    {
        return $this->settled(true) && $this->settled(false);
    }

    public function failed(): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if (Criterion::FAILED === $criterion->status && null !== $criterion->check) {
                return $criterion;
            }
        }

        return null;
    }

    public function next(): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if (!$criterion->isSettled()) {
                return $criterion;
            }
        }

        return null;
    }

    private function settled(bool $standing): bool
    {
        foreach ($this->criteria as $criterion) {
            if ($criterion->standing === $standing && !$criterion->isSettled()) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<string, list<string>> $wanted
     * @param list<Reading>               $readings
     * @param array<string, string>       $waived
     */
    private static function read(string $id, string $check, array $wanted, bool $standing, array $readings, array $waived): Criterion
    {
        $missing = $wrong = [];
        foreach ($wanted as $row => $words) {
            $word = null;
            foreach ($readings as $reading) {
                $word = $reading->check === $check ? $reading->outcomes[$row] ?? null : $word;
            }
            if (null === $word) {
                $missing[] = $row;
            } elseif (!\in_array($word, $words, true)) {
                $wrong[] = $row;
            }
        }
        $status = [] !== $wrong ? Criterion::FAILED : ([] !== $missing ? Criterion::OPEN : Criterion::PASSED);
        if (Criterion::PASSED !== $status && isset($waived[$id])) {
            return new Criterion($id, Criterion::WAIVED, $check, [...$wrong, ...$missing], $standing, $waived[$id]);
        }

        return new Criterion($id, $status, $check, [] !== $wrong ? $wrong : $missing, $standing);
    }

    /**
     * @param list<string>          $missing
     * @param array<string, string> $waived
     */
    private static function computed(string $id, array $missing, array $waived): Criterion
    {
        if ([] === $missing) {
            return new Criterion($id, Criterion::PASSED, null, [], true);
        }

        return isset($waived[$id])
            ? new Criterion($id, Criterion::WAIVED, null, $missing, true, $waived[$id])
            : new Criterion($id, Criterion::OPEN, null, $missing, true);
    }
}
