<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * The round that the next check belongs to, walked once: that check, what else is worth a glance on the way, and what
 * could be looked at there and matters to no suspect.
 */
final readonly class Walk
{
    /** Fewer checks are no round. */
    private const LEAST = 2;
    /** What moves less of the belief is folded away: its suspects hold no 3 % together (share; handbook). */
    private const MOVES = 0.01;
    /** A reading taken again, or the look at what it rests on, is made by itself. */
    private const ALONE = ['repeat', 'contradiction', 'torn'];

    /**
     * @param float $minutes the way there and everything unfolded
     * @param list<Stop> $stops in the order of the walk
     * @param list<Stop> $folded could be looked at too
     * @param list<string> $decides repairs that its answers would lead to, the likeliest first
     */
    private function __construct(
        public string $round,
        public float $minutes,
        public array $stops,
        public array $folded,
        public array $decides,
    ) {
    }

    /**
     * Null where the next check is made by itself.
     *
     * @param list<Proposal> $looks what is looked at anyway before something is opened
     */
    public static function around(?Proposal $next, string $reason, Standing $at, array $looks = []): ?self
    {
        $rounds = $at->belief->field->knowledge->rounds;
        if (null === $next || \in_array($reason, self::ALONE, true) || !$next->isPossible(true)) {
            return null;
        }
        $first = 'first-look' === $reason;
        $round = $first ? null : $rounds->with($next->check->id);
        if (null === $round && !$first) {
            return null;
        }
        $order = array_flip($round->checks ?? []);
        $lift = self::lift($next, $at);
        $before = self::unmet($next);
        $over = 'condition' === $reason;
        $condition = $at->belief->field->knowledge->condition;
        $anyway = array_map(static fn (Proposal $one): string => (string) $one->at, $looks);
        $stops = $folded = [];
        foreach (self::inOrder($at->onWalk($round?->checks), $order) as $one) {
            if (!self::isOnTheWay($one, $lift) || [] !== array_diff(self::unmet($one), $before)) {
                continue;
            }
            // what is looked over, or at first, is looked at whole
            $whole = $first || ($over && \in_array($one->check->id, $condition, true));
            $due = $one->at->is($next->at) || \in_array((string) $one->at, $anyway, true);
            if ($whole || $due || self::matters($one, $at)) {
                $stops[] = $one;
            } else {
                $folded[] = $one;
            }
        }
        $own = array_filter($stops, static fn (Proposal $one): bool => $one->at->is($next->at));
        if ([] === $own || \count($stops) < self::LEAST) {
            return null;
        }
        $minutes = $next->worth->wayMinutes;
        foreach ($stops as $one) {
            $minutes += $rounds->minutes($one->check, \count($one->rows));
        }
        $stop = static fn (Proposal $one): Stop => self::stop($one, $at);

        return new self(
            $round->id ?? $rounds->first,
            $minutes,
            array_map($stop, $stops),
            array_map($stop, $folded),
            self::decided($stops, $at),
        );
    }

    /**
     * @param list<Proposal> $stops
     *
     * @return list<string>
     */
    private static function decided(array $stops, Standing $at): array
    {
        $decided = [];
        foreach ($stops as $one) {
            array_push($decided, ...$one->forked($at->planner->answers)->decides());
        }

        return array_values(array_unique($decided));
    }

    /**
     * @param list<Proposal> $proposals
     * @param array<string, int> $order of checks; where one is not in it, its turn in the first look
     *
     * @return list<Proposal>
     */
    private static function inOrder(array $proposals, array $order): array
    {
        $turn = static fn (Proposal $one): array => [
            $order[$one->check->id] ?? $one->check->demand->turn->first ?? \PHP_INT_MAX,
            (string) $one->at,
        ];
        usort($proposals, static fn (Proposal $a, Proposal $b): int => $turn($a) <=> $turn($b));

        return $proposals;
    }

    /** Alone it would be asked with all its minutes; on the walk it takes a glance. */
    public static function matters(Proposal $one, Standing $at): bool
    {
        $glance = $at->belief->field->knowledge->rounds->minutes($one->check, \count($one->rows));
        $saved = $one->worth->minutes - $one->worth->wayMinutes - $glance;
        $worth = $one->worth->aloneCents + $saved * $at->settings->labour->rateCentsPerMinute;

        return $worth > 0.0 && $one->worth->moved >= self::MOVES && $at->isCalledFor($one->check, $one->at);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $written = static fn (Stop $one): array => $one->toArray();

        return [
            'round' => $this->round,
            'minutes' => $this->minutes,
            'stops' => array_map($written, $this->stops),
            'folded' => array_map($written, $this->folded),
            'decides' => $this->decides,
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->text('round'),
            $shape->number('minutes'),
            array_values(array_map(Stop::fromShape(...), $shape->each('stops'))),
            array_values(array_map(Stop::fromShape(...), $shape->each('folded'))),
            $shape->texts('decides'),
        );
    }

    /** Whether a check is made on it. */
    public function has(CheckAt $at): bool
    {
        return [] !== array_filter($this->stops, static fn (Stop $one): bool => $one->at->is($at));
    }

    /** How the vehicle stands on the walk. */
    private static function lift(Proposal $next, Standing $at): Lift
    {
        $wanted = $next->check->demand->lift;

        return Lift::Any === $wanted ? $at->now->car->lift : $wanted;
    }

    /** It takes nothing apart, and the vehicle stands for it as it stands for the next check. */
    private static function isOnTheWay(Proposal $one, Lift $lift): bool
    {
        $wake = $one->check->demand->wake;
        $wanted = $one->check->demand->lift;

        return (Lift::Any === $wanted || $wanted === $lift)
            && $one->isPossible(true)
            && null === $wake->opens
            && null === $wake->apart
            && !$wake->eases
            && [] === $one->check->demand->tools
            && !$one->check->isHeat();
    }

    /** @return list<string> what stands before it */
    private static function unmet(Proposal $one): array
    {
        return array_merge(...array_map(static fn (Gate $gate): array => $gate->unmet, $one->gates));
    }

    private static function stop(Proposal $one, Standing $at): Stop
    {
        $field = $at->belief->field;
        $good = [];
        foreach ($one->rows as $row) {
            if ($field->knowledge->rounds->mayBeCovered($one->check, $row)) {
                $good[$row] = $field->usual($one->at->row($row));
            }
        }

        return new Stop($one->at, $one->rows, $good);
    }
}
