<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/**
 * Weighs every check that could be made now: net worth = saving + λ·bits − minutes·rate − consumables,
 * λ = (expected cost now − expected cost if the truth were known) / entropy now; the minutes hold the way there.
 */
final class Planner
{
    private const ROAD = 'road';
    /** No check counts as shorter (minutes; handbook). */
    private const LEAST_MINUTES = 0.5;
    /** No stretch of work counts as shorter: dividing by a minute would always buy trifles first (estimate; 2 to 6). */
    private const FLOOR_MINUTES = 4.0;
    /** What teaches less is not made for its information (bits). */
    private const LEAST_BITS = 0.02;
    /** How much of what else could be done at a station counts, best first: it tells partly the same (estimate). */
    private const COUNTS = [0.6, 0.4];
    /** Each reading of a family leaves so much less to be told by the next, by its share of vehicles gone astray. */
    private const SATURATES = 10.0;
    private const LEAST_NEW = 0.4;
    public readonly Answers $answers;
    private Costs $costs;
    private float $costNow;
    private float $entropyNow;
    private float $lambda;
    /** @var array<int, float> belief now, by group that still matters */
    private array $masses;

    public function __construct(private Belief $belief, private Settings $settings)
    {
        $this->answers = new Answers($belief);
        $this->costs = Costs::of($belief->field, $settings)->only($this->answers->groups);
        $masses = $this->masses = $this->answers->masses();
        $this->costNow = $this->costs->expected($masses);
        $this->entropyNow = Belief::entropy($masses);
        $this->lambda
            = $this->entropyNow > 1e-9
                ? ($this->costNow - $this->costs->ifTruthWereKnown($masses)) / $this->entropyNow
                : 0.0;
    }

    /**
     * Every check that is wanted and has rows still open in this epoch, best first.
     *
     * @param \Closure(Check, CheckAt): bool $wanted
     *
     * @return list<Proposal>
     */
    public function rank(Situation $now, \Closure $wanted): array
    {
        $field = $this->belief->field;
        $knowledge = $field->knowledge;
        $troubles = $now->troubles($knowledge->checks);
        $held = $now->held($knowledge->checks);
        $unspun = Situation::isOfDrag($troubles) && !$now->spun($knowledge->checks);
        $answers = $now->seen($knowledge->checks);
        $proposals = $seen = [];
        foreach ($now->readings as $reading) {
            $seen[$field->act($reading->check)] = true;
        }
        foreach ($knowledge->checks as $check) {
            $drags = Situation::isOfDrag($troubles);
            $early = ($unspun && Lift::WheelsOff === $check->demand->lift)
                // nobody drives on a wheel that drags to learn that it does
                || ($drags && [] !== $held && self::ROAD === $check->station);
            if ($check->role->proof || $check->role->asked || $early || !$check->demand->turn->makesSense($answers)) {
                continue;
            }
            foreach ($check->everywhere($field->layout) as $at) {
                $open = $now->open($check, $at);
                $same = $field->act($at);
                $known = isset($seen[$same]) && !$now->made($at);
                $apt = [] !== $open && !$known && !self::isFree($check, $at->place, $held);
                if ($apt && $wanted($check, $at)) {
                    $proposals[] = $this->weigh($check, $at->place, $now, $open);
                }
            }
        }

        return $this->scored($proposals);
    }

    /** @param list<string>|null $rows those to ask; null for all */
    public function weigh(Check $check, Place $place, Situation $now, ?array $rows = null): Proposal
    {
        $rows ??= array_map(strval(...), array_keys($check->rows));
        $bits = $this->entropyNow;
        $after = 0.0;
        $seen = $moved = 0.0;
        foreach ($this->answers->of($check, $place, $rows) as [, $masses, $chance]) {
            foreach ($masses as $i => $mass) {
                $moved += 0.5 * abs($mass - $chance * $this->masses[$i]);
                $masses[$i] = $mass / $chance;
            }
            $bits -= $chance * Belief::entropy($masses);
            $after += $chance * $this->costs->expected($masses);
            $seen += $chance;
        }
        $new = $this->newness($check, $place, $rows);
        $moved *= $new;
        $bits = $new * max(0.0, $bits - (1.0 - $seen) * $this->entropyNow);
        $saving = $new * ($this->costNow - $after - (1.0 - $seen) * $this->costNow);
        $way = (new Way($now->car, $this->settings->times, $this->belief->field->knowledge->stations))->minutes($check);
        $share = \count($rows) / \count($check->rows);
        $minutes = max(self::LEAST_MINUTES, $share * $check->demand->minutes) + $way;
        $net
            = $saving
            + $this->lambda * $bits
            - $minutes * $this->settings->labour->rateCentsPerMinute
            - $check->demand->consumablesCents;

        return new Proposal(
            $check,
            $check->at($place),
            new Worth(
                $bits,
                $saving,
                $minutes,
                $net,
                $way,
                $net + $way * $this->settings->labour->rateCentsPerMinute,
                $moved,
            ),
            $this->gates($check, $place, $now),
            [],
            $rows,
        );
    }

    /** A reading taken once more; null where that cannot be made now. */
    public function again(Reading $reading, Situation $now): ?Proposal
    {
        $check = $this->belief->field->knowledge->checks->of($reading->check);
        $again = $this->weigh($check, $reading->check->place, $now);

        return $again->isPossible() ? $again : null;
    }

    /** Held against others by itself alone. */
    public function alone(Proposal $one): Proposal
    {
        return $this->scored([$one])[0];
    }

    /**
     * From what each would be worth alone to how they are held against each other.
     *
     * @param list<Proposal> $proposals with net worth for their score
     *
     * @return list<Proposal> best first
     */
    private function scored(array $proposals): array
    {
        $scored = $there = $waiting = [];
        foreach ($proposals as $one) {
            if ($one->isWorthItThere()) {
                $there[$one->spot()][] = $one;
            }
            $waiting[(string) $one->waitsFor()][] = $one;
        }
        foreach ($proposals as $one) {
            $worth = $one->worth;
            $scored[] = $one->scored(match ($this->settings->scoring) {
                Scoring::PerMinute => $worth->score / $worth->minutes,
                Scoring::Bits => $worth->bits > self::LEAST_BITS
                    ? $worth->bits / max(self::FLOOR_MINUTES, $worth->minutes)
                    : -1.0,
                Scoring::Ahead => self::ahead(
                    $one,
                    $there[$one->spot()] ?? [],
                    $waiting[(string) $one->at] ?? [],
                ),
            });
        }
        usort(
            $scored,
            static fn (Proposal $a, Proposal $b): int => [$b->worth->score, (string) $a->at] <=> [
                $a->worth->score,
                (string) $b->at,
            ],
        );

        return $scored;
    }

    /**
     * Worth of going there, over all minutes: the check itself and, counted less, the two best others that can be done
     * at the same station in the same state of the vehicle. The way is gone once. Or of what only waits for it.
     *
     * @param list<Proposal> $there what else is worth making at its spot, itself among them
     * @param list<Proposal> $waiting what waits for it alone
     */
    private static function ahead(Proposal $one, array $there, array $waiting): float
    {
        $others = [];
        foreach ($there as $other) {
            if ($other !== $one) {
                $others[] = [$other->worth->aloneCents, $other->worth->minutes - $other->worth->wayMinutes];
            }
        }
        rsort($others);
        $net = $one->worth->score;
        $minutes = $one->worth->minutes;
        foreach (\array_slice($others, 0, \count(self::COUNTS)) as $n => [$alone, $more]) {
            $net += self::COUNTS[$n] * $alone;
            $minutes += self::COUNTS[$n] * $more;
        }

        $best = $net / max(self::FLOOR_MINUTES, $minutes);
        foreach ($waiting as $other) {
            // both on one way: the first for the sake of what it opens
            $both = $one->worth->score + $other->worth->aloneCents;
            $long = $one->worth->minutes + $other->worth->minutes - $other->worth->wayMinutes;
            $best = max($best, $both / max(self::FLOOR_MINUTES, $long));
        }

        return $best;
    }

    /**
     * Where some wheel is held, nobody looks into one that turns freely.
     *
     * @param list<Corner> $held
     */
    private static function isFree(Check $check, Place $place, array $held): bool
    {
        if ([] === $held || null === $place->corner() || Lift::WheelsOff !== $check->demand->lift) {
            return false;
        }

        return [] === array_filter($held, static fn (Corner $wheel): bool => $place->covers(Place::at($wheel)));
    }

    /**
     * What repeats an error that other readings share already is worth the less: its own noise alone is new.
     *
     * @param list<string> $rows
     */
    private function newness(Check $check, Place $place, array $rows): float
    {
        // the same family is off in the same way each time it is asked
        $astray = $this->belief->field->knowledge->drivers->astray($check->family);
        $new = max(self::LEAST_NEW, 1.0 - self::SATURATES * $astray) ** $this->belief->asked($check->family);
        foreach ($rows as $row) {
            $signature = $this->belief->field->row($check->at($place), $row);
            if ($signature['common'] > 0.0 && $this->belief->knows($signature['cause'])) {
                $new = min($new, 1.0 - $signature['common'] ** 2 / $signature['noise'] ** 2);
            }
        }

        return $new;
    }

    /** @return list<Gate> */
    private function gates(Check $check, Place $place, Situation $now): array
    {
        $missing = $this->settings->missingTools($check->demand->tools);
        $knowledge = $this->belief->field->knowledge;
        $gates = $knowledge->gates->closedFor($check, $place, $now, $knowledge->checks);

        return [] === $missing ? $gates : [...$gates, Gate::ofTools($missing)];
    }
}
