<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * What the trade forgets: a part that must act on two or four wheels cannot explain one, a circuit's partner at the
 * other
 * end should show it too, and the same fault after a new part speaks against that part. From the predictions, not from
 * a
 * list of rules.
 */
final readonly class CommonCause
{
    /** A wheel that a suspect holds: it spins at its best with less than this chance (estimate). */
    private const HELD_BELOW = 0.35;
    /** In every one of its severities with less than this (estimate). */
    private const FREE_ABOVE = 0.65;
    /** Rarer suspects are nobody's first thought (share before the readings; estimate). */
    private const WORTH_SAYING = 0.0025;
    private const SAID_AT_MOST = 4;

    /** @param list<Place> $places */
    private function __construct(public string $key, public SuspectAt $suspect, public array $places)
    {
    }

    /**
     * @param list<PartAt> $fitted parts fitted lately
     *
     * @return list<self> key `holds-more`, `partner-too` or `new-part`, strongest first
     */
    public static function in(Belief $belief, Situation $now, array $fitted): array
    {
        $checks = $belief->field->knowledge->checks;
        $telling = $checks->tellingHeld()[0] ?? null;
        if (null === $telling || !$now->made($telling->at(Place::vehicle()))) {
            return [];
        }
        $dragging = array_map(static fn (Corner $corner): string => $corner->value, $now->held($checks));
        $said = self::newParts($belief, $fitted, $dragging);
        foreach (self::bySuspect($belief, $telling) as $suspect => [$held, $opening]) {
            $ids = array_map(static fn (Corner $corner): string => $corner->value, $held);
            $more = array_values(array_diff($ids, $dragging));
            if ([] === $more || [] === array_intersect($ids, $dragging) || $opening < self::WORTH_SAYING) {
                continue;
            }
            $key = self::isDiagonal($held) ? 'partner-too' : 'holds-more';
            $said[] = new self($key, SuspectAt::parse($suspect), array_map(Place::of(...), $more));
        }

        return \array_slice($said, 0, self::SAID_AT_MOST);
    }

    /** @return array{key: string, suspect: string, places: list<string>} */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'suspect' => (string) $this->suspect,
            'places' => array_map(strval(...), $this->places),
        ];
    }

    /** @param list<Corner> $wheels */
    private static function isDiagonal(array $wheels): bool
    {
        return 2 === \count($wheels)
            && $wheels[0]->isLeft() !== $wheels[1]->isLeft()
            && $wheels[0]->isFront() !== $wheels[1]->isFront();
    }

    /**
     * @return array<string, array{list<Corner>, float}> the wheels that each suspect holds in all of its severities,
     *     and its weight before the readings
     */
    private static function bySuspect(Belief $belief, Check $telling): array
    {
        $suspects = $belief->field->suspects;
        /** @var array<string, array<string, float>> $freest */
        $freest = [];
        /** @var array<string, array<string, float>> $stuckest */
        $stuckest = [];
        foreach (Corner::cases() as $corner) {
            $row = $belief->field->row($telling->at(Place::vehicle()), $corner->value);
            $free = array_column($row['table'], 0);
            foreach ($belief->field->particles as $i => $_) {
                $suspect = $suspects->names[$suspects->of[$i]];
                $chance = $free[$row['index'][$i]];
                $freest[$suspect][$corner->value] = max($freest[$suspect][$corner->value] ?? 0.0, $chance);
                $stuckest[$suspect][$corner->value] = min($stuckest[$suspect][$corner->value] ?? 1.0, $chance);
            }
        }
        $held = [];
        foreach ($belief->field->bySuspect($belief->opening->weights) as $suspect => $opening) {
            $wheels = array_values(
                array_filter(
                    Corner::cases(),
                    static fn (Corner $corner): bool => $freest[$suspect][$corner->value] < self::FREE_ABOVE
                        && $stuckest[$suspect][$corner->value] < self::HELD_BELOW,
                ),
            );
            if (\count($wheels) > 1) {
                $held[$suspect] = [$wheels, $opening];
            }
        }

        return $held;
    }

    /**
     * A part fitted lately where the wheel still drags.
     *
     * @param list<PartAt> $fitted
     * @param list<string> $dragging
     *
     * @return list<self>
     */
    private static function newParts(Belief $belief, array $fitted, array $dragging): array
    {
        $said = [];
        foreach ($fitted as $part) {
            foreach (\in_array($part->place->id, $dragging, true) ? array_keys($belief->suspects) : [] as $suspect) {
                $at = SuspectAt::parse($suspect);
                $ages = $belief->field->knowledge->faults->of($at)->odds->agesWith;
                if ($ages?->id === $part->id && $at->place->is($part->place->id)) {
                    $said[] = new self('new-part', $at, [$part->place]);
                    break;
                }
            }
        }

        return $said;
    }
}
