<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\StepAt;

/**
 * Puts the steps of several procedures into one order: first, the work in blocks, filling, what a visit does at its
 * end, what is made with the bleed run, wheels on, what follows on the road. A block is one drum, or everything else
 * together; inside it each procedure keeps its own order, and what opens a joint waits as long as something else can be
 * done.
 */
final class Composing
{
    private const FIRST = 0;
    private const WORK = 1;
    private const FILL = 2;
    private const END = 3;
    private const RUN = 4;
    private const WHEELS = 5;
    private const AFTER = 6;
    /** What a step can give way to beside another step. */
    public const REASONS = [self::OPENED, self::BOTH_SIDES];
    /** The system is opened: pressing comes with the bleed run. */
    private const OPENED = 'opened';
    /** The same repair is made at the other side. */
    private const BOTH_SIDES = 'both-sides';

    /**
     * @var array<string, array{
     *     step: Step, names: non-empty-array<string, non-empty-list<string>>, phase: int, block: string
     * }> lines of the sheet
     */
    private array $nodes = [];
    /** @var array<string, int> where it is worked at */
    private array $places = [];
    /** @var array<string, array<string, true>> what comes before a step */
    private array $before = [];

    /**
     * @param non-empty-list<GroupAt> $groups the finding's first
     * @param array<string, string> $parts kind of part by group
     */
    public function __construct(
        private readonly Repairs $repairs,
        private readonly Layout $layout,
        private readonly array $groups,
        private readonly array $parts = [],
    ) {
        foreach ($groups as $n => $group) {
            $this->add($group, 0 === $n);
        }
        $this->aheadOfOthers();
    }

    /** @return non-empty-list<string> wheels of an axle where each is worked at by itself, else the place as it is */
    public static function wheels(Procedure $procedure, Layout $layout, Place $place): array
    {
        if (!$procedure->eachWheel || null !== $place->corner()) {
            return [$place->id];
        }
        $wheels = array_map(static fn (Corner $one): string => $one->value, $place->wheels());

        return [] === $wheels ? [$place->id] : $wheels;
    }

    /** @return list<SheetStep> */
    public function steps(): array
    {
        // one procedure alone at one place is followed as it is written
        $alone = 1 === \count($this->groups) && 1 === \count($this->places);
        $order = $alone ? array_keys($this->nodes) : $this->ordered();

        return array_map($this->line(...), $order);
    }

    /** @return list<string> */
    private function ordered(): array
    {
        $order = [];
        foreach (range(self::FIRST, self::AFTER) as $phase) {
            $ids = array_keys(array_filter($this->nodes, static fn (array $node): bool => $phase === $node['phase']));
            array_push($order, ...match ($phase) {
                self::FIRST => $this->listed($ids, $this->repairs->visit->first),
                self::END => $this->listed($ids, $this->repairs->visit->atTheEnd),
                self::WORK => $this->inBlocks($ids),
                default => $ids,
            });
        }

        return $order;
    }

    private function line(string $id): SheetStep
    {
        ['step' => $step, 'names' => $names, 'phase' => $phase] = $this->nodes[$id];
        $wheels = array_diff_key($names, [Place::VEHICLE => true]);

        // wheels that are named are the vehicle's wheels
        $names = self::WHEELS === $phase && [] !== $wheels ? $wheels : $names;
        uksort($names, static fn (string $a, string $b): int => self::rank($a) <=> self::rank($b));

        return new SheetStep($step, $names, null === $step->count ? null : $step->count * \count($names));
    }

    /** What one line does before another's steps: a banjo is loosened before the caliper comes off for pads. */
    private function aheadOfOthers(): void
    {
        foreach ($this->nodes as $id => $node) {
            foreach ($node['step']->aheadOf as $later) {
                foreach ($this->nodes as $other => $then) {
                    $there = self::axle($id) === self::axle($other);
                    if ($there && $later === $then['step']->id && self::WORK === $then['phase']) {
                        $this->before[$other][$id] = true;
                    }
                }
            }
        }
    }

    /** Where a line of the sheet is worked at: an axle's two discs together, or a place. */
    private static function axle(string $id): string
    {
        return explode('|', $id)[1] ?? '';
    }

    /** Left front, right front, left rear, right rear, as everywhere. */
    private static function rank(string $place): int
    {
        $corner = Corner::tryFrom($place);

        return null === $corner ? -1 : (int) array_search($corner, Corner::cases(), true);
    }

    private function add(GroupAt $group, bool $own): void
    {
        $procedure = $this->repairs->procedureOf($group);
        $wheels = self::wheels($procedure, $this->layout, $group->place);
        $this->places += array_flip($wheels);
        $last = [];
        $wheelsOn = false;
        foreach ($this->stepsOf($group) as $step) {
            $wheelsOn = $wheelsOn || $step->last;
            $phase = match (true) {
                $step->last => self::WHEELS,
                $step->withRun => self::RUN,
                $wheelsOn, \in_array($step->id, $this->repairs->visit->after, true) => self::AFTER,
                \in_array($step->id, $this->repairs->visit->first, true) => self::FIRST,
                \in_array($step->id, $this->repairs->visit->atTheEnd, true) => self::END,
                $procedure->afterAll => self::FILL,
                default => self::WORK,
            };
            foreach ($wheels as $where) {
                if ($this->givesWay($step, $group, $where)) {
                    continue;
                }
                $id = $this->node($step, $phase, $where, $own, $wheels);
                $block = $this->nodes[$id]['block'];
                if (self::WORK === $phase && ($last[$block] ?? $id) !== $id) {
                    $this->before[$id][$last[$block]] = true;
                }
                $last[$block] = self::WORK === $phase ? $id : $last[$block] ?? null;
                $last = array_filter($last, is_string(...));
            }
        }
    }

    /**
     * Its line of the sheet: one for the visit, for an axle's two discs together, or for the place.
     *
     * @param bool $own of the finding: there a step is called by what is done alone, as it always was
     * @param non-empty-list<string> $wheels of its repair
     */
    private function node(Step $step, int $phase, string $where, bool $own, array $wheels): string
    {
        $corner = Corner::tryFrom($where);
        $disc = null !== $corner && $this->layout->brake($corner)->disc;
        $axle = $disc ? Place::axleOf($corner)->id : $where;
        $once = \in_array($phase, [self::FIRST, self::END, self::RUN, self::AFTER], true);
        $id = $once || self::WHEELS === $phase ? $step->id : $step->id.'|'.$axle.'|'.$step->makes;
        $at = match (true) {
            $once => Place::VEHICLE,
            '' !== $step->makes && null === $corner => $step->makes,
            default => $where,
        };
        $full = (string) StepAt::of($step->id, Place::of($at));
        $alone = $own && (1 === \count($wheels) || $once);
        $names = $alone ? [$step->id, $full] : [$full, ...($own ? [$step->id] : [])];
        $place = $once ? Place::VEHICLE : $where;
        $known = $this->nodes[$id] ?? null;
        $this->nodes[$id] = [
            'step' => $known['step'] ?? $step,
            'names' => ($known['names'] ?? []) + [$place => $names],
            'phase' => max($phase, $known['phase'] ?? $phase),
            'block' => null === $corner || $disc ? '' : $where,
        ];

        return $id;
    }

    private function givesWay(Step $step, GroupAt $group, string $where): bool
    {
        $wheels = self::wheels($this->repairs->procedureOf($group), $this->layout, $group->place);
        foreach ($step->givesWayTo as $to) {
            if (self::BOTH_SIDES === $to && \count($wheels) > 1) {
                return true;
            }
            foreach ($this->groups as $other) {
                if ($other->is($group)) {
                    continue;
                }
                $gives = match ($to) {
                    self::OPENED => $this->repairs->opensSystem($other),
                    self::BOTH_SIDES => $other->id === $group->id,
                    default => $this->has($other, $to, $where),
                };
                if ($gives) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether a line of the visit makes a step there. */
    private function has(GroupAt $group, string $step, string $where): bool
    {
        $procedure = $this->repairs->procedureOf($group);
        $everywhere = \in_array($step, $this->repairs->visit->first, true);
        $there = \in_array($where, self::wheels($procedure, $this->layout, $group->place), true);

        return ($everywhere || $there)
            && [] !== array_filter($this->stepsOf($group), static fn (Step $one): bool => $one->id === $step);
    }

    /** @return array<int, Step> of its procedure, those of the kind of part that was chosen */
    private function stepsOf(GroupAt $group): array
    {
        $part = $this->parts[(string) $group] ?? '';
        $instead = $this->repairs->visit->instead[$this->layout->reach()->value] ?? [];
        $steps = array_filter(
            $this->repairs->procedureOf($group)->steps,
            static fn (Step $one): bool => $one->isFor($part),
        );

        return array_map(
            fn (Step $one): Step => isset($instead[$one->id]) ? $this->repairs->step($instead[$one->id]) : $one,
            $steps,
        );
    }

    /**
     * @param list<string> $ids
     * @param list<string> $order
     *
     * @return list<string>
     */
    private function listed(array $ids, array $order): array
    {
        usort($ids, static fn (string $a, string $b): int => array_search($a, $order, true)
            <=> array_search($b, $order, true));

        return $ids;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string>
     */
    private function inBlocks(array $ids): array
    {
        $blocks = [];
        foreach ($ids as $id) {
            $blocks[$this->nodes[$id]['block']][] = $id;
        }

        return array_merge([], ...array_map($this->sorted(...), array_values($blocks)));
    }

    /**
     * By what comes before what; of several that could come next one that opens nothing, then the one that was met
     * first. Two procedures that contradict each other give way where the first of them has its step.
     *
     * @param non-empty-list<string> $ids
     *
     * @return list<string>
     */
    private function sorted(array $ids): array
    {
        $order = [];
        while ([] !== $ids) {
            $able = array_filter($ids, fn (string $id): bool => [] === array_diff(
                array_intersect(array_keys($this->before[$id] ?? []), $ids),
                [$id],
            ));
            $able = [] === $able ? $ids : $able;
            $closed = array_filter($able, fn (string $id): bool => '' === $this->nodes[$id]['step']->breaks);
            $next = array_values([] === $closed ? $able : $closed)[0];
            $order[] = $next;
            $ids = array_values(array_diff($ids, [$next]));
        }

        return $order;
    }
}
