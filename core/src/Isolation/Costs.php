<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What it costs to cure the vehicle from what is believed, in minor units. */
final readonly class Costs
{
    /** Another look around when the named repairs did not cure it (minutes; estimate, plausible 20 to 90). */
    private const SECOND_FAULT_MINUTES = 45.0;

    /** @param list<float> $byGroup cost of each repair group; the last entry stands for "a second fault" */
    private function __construct(public array $byGroup)
    {
    }

    public static function of(Field $field, Settings $settings): self
    {
        $costs = [];
        foreach ($field->groups as $group) {
            $costs[] = self::ofGroup($field, $settings, $group);
        }
        $costs[] = array_sum($costs) / max(1, \count($costs)) + self::SECOND_FAULT_MINUTES * $settings->rateCentsPerMinute;

        return new self($costs);
    }

    public static function ofGroup(Field $field, Settings $settings, string $group): float
    {
        $repair = $field->catalogue->repair($group);
        $own = $settings->prices[$repair->id] ?? [];

        return ($own['parts_cents'] ?? $repair->partsCents)
            + ($own['minutes'] ?? $repair->minutes) * $settings->rateCentsPerMinute
            + $repair->fluidMl * $settings->fluidCentsPerMl;
    }

    /**
     * Repairs tried in the best order, cheapest per chance first, until the vehicle is cured.
     *
     * @param array<int, float> $masses by group, "a second fault" last, summing to 1
     */
    public function expected(array $masses): float
    {
        $order = [];
        foreach ($masses as $i => $mass) {
            if ($mass > 1e-6) {
                $order[$i] = $this->byGroup[$i] / $mass;
            }
        }
        asort($order);
        $left = 1.0;
        $sum = 0.0;
        foreach (array_keys($order) as $i) {
            $sum += $left * $this->byGroup[$i];
            $left -= $masses[$i];
        }

        return $sum;
    }

    /** @param array<int, float> $masses */
    public function ifTruthWereKnown(array $masses): float
    {
        $sum = 0.0;
        foreach ($masses as $i => $mass) {
            $sum += $mass * $this->byGroup[$i];
        }

        return $sum;
    }
}
