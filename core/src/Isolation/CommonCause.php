<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Job\JobState;
use Rodrel\Core\Vehicle\Corner;

/**
 * What the trade forgets: a part that must act on two or four wheels cannot explain one, a circuit's partner at the other
 * end should show it too, and the same fault after a new part speaks against that part. From the predictions, not from a
 * list of rules.
 */
final readonly class CommonCause
{
    /** A wheel that a suspect holds: it spins at its best with less than this chance. */
    private const HELD_BELOW = 0.35;
    private const FREE_ABOVE = 0.65;
    private const SAID_AT_MOST = 4;

    /**
     * @return list<array{key: string, suspect: string, places: list<string>}> key `holds-more`, `partner-too` or `new-part`, strongest first
     */
    public static function of(JobState $state): array
    {
        $belief = $state->belief;
        $dragging = self::dragging($state);
        if (null === $belief || null === $dragging) {
            return [];
        }
        $said = self::newParts($state, $belief, $dragging);
        foreach (self::bySuspect($belief) as $suspect => [$held, $opening]) {
            $more = array_values(array_diff($held, $dragging));
            if ([] === $more || [] === array_intersect($held, $dragging) || $opening < 0.004) {
                continue;
            }
            $diagonal = 2 === \count($held) && $held[0][0] !== $held[1][0] && $held[0][1] !== $held[1][1];
            $said[] = ['key' => $diagonal ? 'partner-too' : 'holds-more', 'suspect' => $suspect, 'places' => $more];
        }

        return \array_slice($said, 0, self::SAID_AT_MOST);
    }

    /** @return list<string>|null wheels found hard to turn; null before anybody turned them */
    private static function dragging(JobState $state): ?array
    {
        if (!$state->situation->made('spin@vehicle')) {
            return null;
        }

        return array_values(array_filter(array_map(static fn (Corner $c): string => $c->value, Corner::cases()), static fn (string $c): bool => 'one-finger' !== $state->situation->outcome('spin@vehicle', $c)));
    }

    /**
     * @return array<string, array{list<string>, float}> the wheels that each suspect holds in all of its severities, and its weight before the readings
     */
    private static function bySuspect(Belief $belief): array
    {
        $rows = $belief->field->signature->rows;
        $free = $weight = [];
        foreach ($belief->field->particles as $i => $particle) {
            $suspect = $particle->suspect();
            $weight[$suspect] = ($weight[$suspect] ?? 0.0) + $belief->opening->weights[$i];
            foreach (Corner::cases() as $corner) {
                $row = $rows['spin@vehicle/'.$corner->value];
                $chance = $row['table'][$row['index'][$i]][0];
                $free[$suspect][$corner->value] = max($free[$suspect][$corner->value] ?? 0.0, $chance);
                $free[$suspect]['any-'.$corner->value] = min($free[$suspect]['any-'.$corner->value] ?? 1.0, $chance);
            }
        }
        arsort($weight);
        $held = [];
        foreach ($weight as $suspect => $opening) {
            $wheels = array_values(array_filter(array_map(static fn (Corner $c): string => $c->value, Corner::cases()), static fn (string $c): bool => $free[$suspect][$c] < self::FREE_ABOVE && $free[$suspect]['any-'.$c] < self::HELD_BELOW));
            if (\count($wheels) > 1) {
                $held[$suspect] = [$wheels, $opening];
            }
        }

        return $held;
    }

    /**
     * A part fitted lately where the wheel still drags.
     *
     * @param list<string> $dragging
     *
     * @return list<array{key: string, suspect: string, places: list<string>}>
     */
    private static function newParts(JobState $state, Belief $belief, array $dragging): array
    {
        $said = [];
        foreach ($state->story->intake()?->shape()->each('parts') ?? [] as $part) {
            $place = $part->text('place');
            if (!\in_array($place, $dragging, true)) {
                continue;
            }
            foreach (array_keys($belief->suspects) as $suspect) {
                $fault = $belief->field->catalogue->faults[explode('@', $suspect)[0]];
                if ($fault->agesWith === $part->text('part') && str_ends_with($suspect, '@'.$place)) {
                    $said[] = ['key' => 'new-part', 'suspect' => $suspect, 'places' => [$place]];
                    break;
                }
            }
        }

        return $said;
    }
}
