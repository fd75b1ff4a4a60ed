<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/**
 * Readings that cannot all be true of the suspects that lead. A reading speaks against one only where its answer is
 * clearly likelier under everything else; the more was done, the more clearly, since among many acts some are always
 * odd. What the driver says makes none.
 */
final readonly class Contradiction
{
    /** So many times likelier elsewhere (handbook). */
    private const LIKELIER = 5.0;
    /** And so many times for each act: of that many something odd is expected (measured, see the benchmark). */
    private const PER_ACT = 1.0;
    /** Groups heavier than this must all have something against them. */
    private const HEAVY = 0.2;
    private const ASKED_AT_ONCE = 2;

    /**
     * @param list<Reading> $again the one or two to take again, which can be; empty where all were
     * @param list<Reading> $odd all that speak against the leader, weightiest first
     */
    private function __construct(public array $again, public array $odd)
    {
    }

    /** Null when a leading suspect explains the readings well enough. */
    public static function in(Belief $belief, Situation $now): ?self
    {
        $acts = [];
        foreach ($belief->readings as $reading) {
            $acts[$reading->entry()] = true;
        }
        $against = max(self::LIKELIER, self::PER_ACT * \count($acts));
        $odd = [];
        $heavy = array_filter($belief->groups, static fn (float $mass): bool => $mass >= self::HEAVY);
        foreach ([] === $heavy ? \array_slice($belief->groups, 0, 1) : $heavy as $group => $mass) {
            $found = self::against($belief, GroupAt::parse($group), 1.0 / $against);
            if ([] === $found) {
                return null;
            }
            foreach ($found as $n => $ratio) {
                $odd[$n] = min($odd[$n] ?? 1.0, $ratio);
            }
        }
        asort($odd);
        $readings = array_map(static fn (int $n): Reading => $belief->readings[$n], array_keys($odd));
        $checks = $belief->field->knowledge->checks;
        $again = array_filter(
            $readings,
            static fn (Reading $reading): bool => $reading->bearsAnother()
                && $checks->of($reading->check)->canBeRepeated($now->car->drivenIn),
        );

        return new self(\array_slice(array_values($again), 0, self::ASKED_AT_ONCE), $readings);
    }

    /** @return array<int, float> ratio by reading that speaks against a group */
    private static function against(Belief $belief, GroupAt $group, float $below): array
    {
        $against = [];
        foreach ($belief->readings as $n => $reading) {
            if (!$belief->field->knowledge->checks->of($reading->check)->role->asked) {
                $ratio = Explanation::ratio($belief, $belief->groupsWithout($n), $group);
                if ($ratio < $below) {
                    $against[$n] = $ratio;
                }
            }
        }

        return $against;
    }
}
