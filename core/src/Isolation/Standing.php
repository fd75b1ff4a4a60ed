<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** Where a job stands, as the rules ask it: worked out once, and only what is asked for. */
final class Standing
{
    /** A suspect as heavy as this draws the search to its wheel (share; estimate). */
    private const DRAWS = 0.1;
    /** A common defect that is believed to have made the complaint so much is not passed over (share; estimate). */
    private const EXPLAINS = 0.15;
    /** Up to this place in the first look it is made on every job. */
    private const ALWAYS = 3;
    /** A press held so long is a firm one (s). */
    private const LONG_HOLD_S = 20.0;

    public readonly Planner $planner;
    public readonly Route $route;
    /** @var list<string> complaints that are looked into: said, and found */
    public readonly array $troubles;
    public readonly GroupAt $group;
    public readonly float $mass;
    public readonly Confirmation $proof;
    public readonly ?Contradiction $contradiction;
    /** @var list<CheckAt> that confirm the leading group */
    public readonly array $confirming;
    /** @var list<Corner>|null wheels that are looked at; null: all */
    private readonly ?array $wheels;
    /** @var list<Proposal>|null */
    private ?array $onRoute = null;
    /** @var list<Proposal>|null */
    private ?array $everything = null;
    /** @var list<Sighted>|null */
    private ?array $sightings = null;

    public function __construct(
        public readonly Belief $belief,
        public readonly Situation $now,
        public readonly Settings $settings,
    ) {
        $knowledge = $belief->field->knowledge;
        $this->planner = new Planner($belief, $settings);
        $this->troubles = $now->lookedInto($knowledge->checks, $knowledge->routes);
        $this->route = $knowledge->routes->route($this->troubles, $now->complaint->pattern, $now->complaint->stood);
        [$this->group, $this->mass] = $belief->leader();
        $this->confirming = Confirming::of($belief, $this->group);
        $this->proof = Confirmation::of($belief, $settings, $this->group, $this->confirming);
        $this->contradiction = Contradiction::in($belief, $now);
        $this->wheels = $this->wheels();
    }

    /** Nobody complains: the vehicle is looked over. */
    public function looksOver(): bool
    {
        return $this->now->looksOver($this->belief->field->knowledge->checks);
    }

    /** Whether the leading suspect may be signed by its belief alone. */
    public function passed(): bool
    {
        return $this->mass >= $this->settings->threshold;
    }

    /** How many acts were made since the last change of the vehicle; a round is one. */
    public function acts(): int
    {
        $acts = [];
        foreach ($this->now->readings as $reading) {
            if (!$this->check($reading)->role->asked) {
                $acts[$reading->entry()] = true;
            }
        }

        return \count($acts);
    }

    public function check(Reading $reading): Check
    {
        return $this->belief->field->knowledge->checks->of($reading->check);
    }

    /**
     * What the complaint calls for and is still open, best first, whatever stands before it.
     *
     * @return list<Proposal>
     */
    public function onRoute(): array
    {
        return $this->onRoute ??= $this->planner->rank($this->now, $this->isCalledFor(...));
    }

    /**
     * The same of every check there is.
     *
     * @return list<Proposal>
     */
    public function everything(): array
    {
        return $this->everything ??= $this->planner->rank(
            $this->now,
            fn (Check $check, CheckAt $at): bool => $this->isConcerned($check, $at->place),
        );
    }

    /**
     * Checks of a round, or of the first look, that are still open where the complaint, a finding or a suspect is.
     *
     * @param list<string>|null $ids null: the first look
     *
     * @return list<Proposal>
     */
    public function onWalk(?array $ids): array
    {
        return $this->planner->rank(
            $this->now,
            fn (Check $check, CheckAt $at): bool => $this->isConcerned($check, $at->place)
                && (null === $ids ? $this->isFirst($check) : \in_array($check->id, $ids, true)),
        );
    }

    /**
     * Those that can be made now, lowering and putting together allowed.
     *
     * @param list<Proposal> $ranked
     *
     * @return list<Proposal>
     */
    public static function possible(array $ranked): array
    {
        return array_values(array_filter($ranked, static fn (Proposal $one): bool => $one->isPossible(true)));
    }

    public function isCalledFor(Check $check, CheckAt $at): bool
    {
        $called = [] === $this->troubles
            || $this->route->has($check->id)
            || $this->isFirst($check);

        return $called && !$this->isTooFirm($check) && $this->isConcerned($check, $at->place);
    }

    /** Nobody presses firmly on a circuit wet with brake fluid until it is repaired: a light press finds where. */
    private function isTooFirm(Check $check): bool
    {
        $wet = $this->now->outcome(CheckAt::of('look', Place::vehicle()), 'wet');
        $liquid = $this->now->outcome(CheckAt::of('liquid', Place::vehicle()), '');
        $fluid = null !== $wet && 'good' !== $wet && \in_array($liquid, [null, 'brake-fluid', 'cannot-tell'], true);

        return $fluid && null === $check->demand->turn->first && ($check->manner->holdS ?? 0.0) >= self::LONG_HOLD_S;
    }

    /** Part of the first look at this vehicle: always, or because its complaint calls for it. */
    public function isFirst(Check $check): bool
    {
        $turn = $check->demand->turn;

        return null !== $turn->first
            && $this->now->hasTurn($check, $this->belief->field->knowledge->checks)
            && (
                [] === $this->troubles
                || $turn->first <= self::ALWAYS
                || \in_array($check->id, $this->route->own, true)
            );
    }

    /** Whether it is made where the complaint, a finding or a suspect is. */
    private function isConcerned(Check $check, Place $place): bool
    {
        $corners = $place->wheels();
        if (null === $this->wheels || [] === $corners) {
            return true;
        }

        return [] !== array_filter(
            $this->wheels,
            static fn (Corner $wheel): bool => $place->covers(Place::at($wheel)),
        );
    }

    /** @return list<Sighted> defects seen in themselves, likeliest to explain the complaint first */
    public function sightings(): array
    {
        return $this->sightings ??= Sighted::in($this->belief);
    }

    /** Whether a reading says anything but what a sound vehicle says. */
    public function isOdd(Reading $reading): bool
    {
        foreach ($reading->outcomes as $row => $word) {
            $counts = $this->check($reading)->row($row)?->counts($reading->outcomes) ?? true;
            if ($counts && !$this->belief->field->isUsual($reading->check->row($row), $word)) {
                return true;
            }
        }

        return false;
    }

    /** Everything read so far is as it should be, but for what is common on vehicles that brake well. */
    public function isAllSound(): bool
    {
        foreach ($this->now->readings as $reading) {
            if ($this->check($reading)->role->asked || !$this->isOdd($reading)) {
                continue;
            }
            foreach ($reading->outcomes as $row => $word) {
                $usual = $this->belief->field->isUsual($reading->check->row($row), $word)
                    || false === $this->check($reading)->row($row)?->counts($reading->outcomes);
                $seen = $this->check($reading)->row($row)?->observer->sighting($word);
                if (!$usual && (null === $seen || $seen->also < Sighted::COMMON)) {
                    return false;
                }
            }
        }
        foreach ($this->sightings() as $seen) {
            if ($seen->explains >= self::EXPLAINS) {
                return false;
            }
        }

        return true;
    }

    /**
     * Checks of a list that are still open, in its order, at every place that is looked at.
     *
     * @param list<string> $ids
     *
     * @return list<Proposal> that can be made
     */
    public function open(array $ids): array
    {
        $open = [];
        $field = $this->belief->field;
        foreach ($ids as $id) {
            $check = $field->knowledge->checks->of($id);
            $known = [];
            foreach ($check->everywhere($field->layout) as $at) {
                $rows = $this->now->open($check, $at);
                $same = $field->act($at);
                if ([] === $rows || !$this->isConcerned($check, $at->place) || isset($known[$same])) {
                    continue;
                }
                foreach ($this->now->readings as $reading) {
                    if ($field->act($reading->check) === $same && !$reading->check->is($at)) {
                        continue 2;
                    }
                }
                $known[$same] = true;
                $one = $this->planner->alone($this->planner->weigh($check, $at->place, $this->now, $rows));
                $first = $one->isPossible(true) ? $one : $this->opener($one);
                if (null !== $first) {
                    $open[] = $first;
                }
            }
        }

        return $open;
    }

    /** What has to be made before a check that waits for readings alone: a wheel is spun before anybody drives. */
    public function opener(Proposal $wanted): ?Proposal
    {
        $first = null;
        foreach ($wanted->gates as $gate) {
            foreach ($gate->waits ? array_diff($gate->unmet, $gate->preparations) : [] as $unmet) {
                $answer = $gate->answers[$unmet] ?? null;
                if (null === $answer || $gate->seenUnsafe || $this->now->made($answer)) {
                    return null;
                }
                $check = $this->belief->field->knowledge->checks->of($answer);
                $one = $this->planner->alone($this->planner->weigh($check, $answer->place, $this->now));
                $first ??= $one->isPossible(true) ? $one : null;
            }
        }

        return $first;
    }

    /**
     * A reading taken once more: what is odd or unsure and inferred, in a few minutes, with nothing to refit or reopen.
     */
    public function again(Reading $reading, float $minutes): ?Proposal
    {
        $check = $this->check($reading);
        $wake = $check->demand->wake;
        $cheap = $check->demand->minutes <= $minutes
            && null === $wake->opens
            && null === $wake->apart
            && !$wake->eases
            && Lift::WheelsOff !== $check->demand->lift;
        if (
            !$cheap
            || '' === $check->family
            || !($reading->unsure || $this->isOdd($reading))
            || !$reading->bearsAnother()
            || !$check->canBeRepeated($this->now->car->drivenIn)
        ) {
            return null;
        }

        return $this->planner->again($reading, $this->now);
    }

    /** @return list<Corner>|null */
    private function wheels(): ?array
    {
        $wheels = [];
        $named = false;
        foreach ($this->troubles as $trouble) {
            $own = RouteBook::wheels($trouble);
            if (null === $own) {
                return null;
            }
            $named = true;
            array_push($wheels, ...$own);
        }
        if (!$named) {
            return null;
        }
        foreach ($this->now->readings as $reading) {
            foreach ($reading->outcomes as $row => $word) {
                $odd = !$this->belief->field->isUsual($reading->check->row($row), $word);
                foreach ($odd ? [Corner::tryFrom($row), Corner::tryFrom($word)] : [] as $wheel) {
                    $wheels[] = $wheel;
                }
                $place = $reading->check->place;
                array_push($wheels, ...$odd && !$place->isVehicle() ? $place->wheels() : []);
            }
        }
        foreach ($this->belief->groups as $group => $mass) {
            if ($mass >= self::DRAWS) {
                $place = GroupAt::parse($group)->place;
                array_push($wheels, ...$place->isVehicle() ? [] : $place->wheels());
            }
        }
        $once = [];
        foreach ($wheels as $wheel) {
            $once += null === $wheel ? [] : [$wheel->value => $wheel];
        }

        return array_values($once);
    }
}
