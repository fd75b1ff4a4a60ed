<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/** What it costs to cure the vehicle from what is believed, in minor units. */
final readonly class Costs
{
    /** @param list<float> $byGroup cost of each group or pair of them */
    private function __construct(public array $byGroup, private float $comebackCents)
    {
    }

    public static function of(Field $field, Settings $settings): self
    {
        $costs = [];
        foreach ($field->groups->names as $group) {
            $costs[] = array_sum(array_map(
                static fn (string $one): float => self::ofGroup(
                    $field->knowledge->cures,
                    $settings,
                    GroupAt::parse($one),
                ),
                Pair::names($group),
            ));
        }

        return new self($costs, $settings->labour->comebackCents);
    }

    /**
     * The same for some groups only.
     *
     * @param list<int> $groups
     */
    public function only(array $groups): self
    {
        return new self(array_map(fn (int $group): float => $this->byGroup[$group], $groups), $this->comebackCents);
    }

    public static function ofGroup(Cures $cures, Settings $settings, GroupAt $group): float
    {
        $own = $settings->prices[$group->id] ?? [];

        return ($own['parts_cents'] ?? $cures->partsCents($group))
            + ($own['minutes'] ?? $cures->minutes($group)) * $settings->labour->rateCentsPerMinute
            + $cures->fluidMl($group) * $settings->labour->fluidCentsPerMl;
    }

    /**
     * Repairs tried in the best order until the vehicle is cured, each that does not cure it a comeback: what it costs
     * with its comeback, per chance, the least first (exchange of two neighbours).
     *
     * @param array<int, float> $masses by group, summing to 1
     */
    public function expected(array $masses): float
    {
        $order = [];
        foreach ($masses as $i => $mass) {
            if ($mass > 1e-6) {
                $order[$i] = ($this->byGroup[$i] + $this->comebackCents) / $mass;
            }
        }
        asort($order);
        $left = 1.0;
        $sum = $comebacks = 0.0;
        foreach ($order as $i => $_) {
            $sum += $left * $this->byGroup[$i];
            $left -= $masses[$i];
            $comebacks += $left > 0.0 ? $left : 0.0;
        }

        return $sum + $comebacks * $this->comebackCents;
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
