<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;

/** What the engine says to do now: make a check, take readings again, or stop and repair. */
final readonly class Verdict
{
    /** What a fault must carry of its group's mass for its own confirming checks to count (share; estimate). */
    private const SHARE_OF_GROUP = 0.25;
    /** Parts are never tried on less (handbook: one in two). */
    private const TRIAL_FROM = 0.5;
    /** A repair that needs none is, as soon as it stands out (share; estimate, 0.3 to 0.45). */
    private const TRIAL_WITHOUT_PARTS_FROM = 0.35;
    /** With so much belief in a second fault, and no suspect that stands out, one answer may be wrong (estimate). */
    private const DOUBT_FROM = 0.25;
    /**
     * So many checks are made in one search; three vehicles in a hundred want more, and gain nothing (estimate; 25 to
     * 40).
     */
    private const PATIENCE = 32;
    /** After so many checks without a suspect that stands out the search goes wider (estimate; 10 to 20). */
    private const WIDER_FROM = 14;
    /** What no check of its own confirmed wants so much belief while anything else is worth looking at (estimate). */
    private const UNCONFIRMED_FROM = 0.97;
    private const OTHERS = 2;

    /**
     * @param Proposal|null $next the one check to make, null when testing should stop
     * @param list<Proposal> $others the next best ones; where testing stops without certainty first those that want but
     *     a tool
     * @param GroupAt|null $repair to carry out when testing should stop; null too where it was not shown
     * @param string $reason key of the sentence that says why
     * @param list<Proposal> $alongside what else is worth doing at the station of the next one
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public ?GroupAt $repair,
        public string $reason,
        public ?Contradiction $contradiction,
        public bool $confirmed,
        public array $alongside = [],
    ) {
    }

    public static function of(Belief $belief, Situation $now, Settings $settings): self
    {
        $planner = new Planner($belief, $settings);
        // after so many looks that led nowhere what the complaint spoke against is thought of too
        $wider = !$now->looksOver($belief->field->knowledge->checks)
            && \count($now->readings) >= self::WIDER_FROM
            && $belief->leader()[1] < self::TRIAL_FROM;
        $ranked = $planner->rank($now, $wider);
        $possible = array_values(array_filter($ranked, static fn (Proposal $p): bool => $p->isPossible($wider)));
        $contradiction = Contradiction::in($belief, $now);
        [$group, $mass] = $belief->leader();
        $confirming = self::confirming($belief, $group);
        $proof = Confirmation::of($belief, $settings, $group, $confirming);
        $show = static fn (?Proposal $next, ?GroupAt $repair, string $reason, Proposal ...$first): self => self::shown(
            $planner->answers,
            $next,
            null === $next
                ? \array_slice(array_values([...$first, ...$possible]), 0, self::OTHERS)
                : self::others($possible, $next),
            $repair,
            self::said($reason, $next, $now),
            $contradiction,
            $proof->given,
            null === $next ? [] : self::alongside($possible, $next),
        );
        // after so many looks another one that is worth its minutes by money alone is one too many
        $patient = \count($now->readings) < self::PATIENCE;
        $first = $patient ? self::firstLook($possible, $now) : null;
        if (null !== $first) {
            return $show($first, null, self::isEarly($belief) ? 'first-look' : 'best-split');
        }
        if ($now->looksOver($belief->field->knowledge->checks) && $mass < $settings->threshold) {
            // what nobody would hunt for without a complaint is looked over all the same
            $all = array_filter($planner->rank($now, true), static fn (Proposal $p): bool => $p->isPossible());
            $over = self::condition(array_values($all), $belief->field->knowledge->condition);

            return $show($over, null, 'condition');
        }
        foreach ($contradiction->again ?? [] as $odd) {
            $again = $planner->again($odd, $now);
            if (null !== $again) {
                return $show($again, null, 'contradiction');
            }
        }
        $worth = array_values(
            array_filter($possible, static fn (Proposal $p): bool => $patient && $p->worth->score > 0.0),
        );
        $passed = $mass >= $settings->threshold;
        if (!$passed && [] !== $worth) {
            $again = TakenAgain::sooner($belief, $now, $planner, $worth[0]);

            return $show($again ?? $worth[0], null, match (true) {
                null !== $again => 'repeat',
                $wider && !$now->hasTurn($worth[0]->check, $belief->field->knowledge->checks) => 'wider',
                default => 'best-split',
            });
        }
        if ($passed || $mass >= self::TRIAL_FROM) {
            $confirm = $proof->given ? null : self::toConfirm($ranked, $possible, $confirming);
            if (null !== $confirm) {
                return $show($confirm, null, 'confirm');
            }
            // what carries it alone, and what its own check says against it, is taken again before anybody signs
            foreach ($passed ? array_filter([$proof->against, $proof->lone]) : [] as $doubtful) {
                $again = $planner->again($doubtful, $now);
                if (null !== $again) {
                    return $show($again, null, 'repeat');
                }
            }
        }
        if ($passed) {
            // money alone decides now: what a slip would cost against what it takes to find it
            foreach ($worth as $more) {
                if ($more->worth->savingCents > $more->worth->minutes * $settings->labour->rateCentsPerMinute) {
                    return $show($more, null, 'best-split');
                }
            }

            $sure = $proof->given || !$proof->wanted;
            if (!$sure && $mass < self::UNCONFIRMED_FROM && [] !== $worth) {
                return $show($worth[0], null, 'best-split');
            }

            return $show(null, $group, $sure ? 'threshold' : 'open-and-look');
        }

        $doubtful = TakenAgain::mostTelling($belief, $now);
        $again = null === $doubtful ? null : $planner->again($doubtful, $now);
        if (null !== $again) {
            return $show($again, null, 'repeat');
        }

        $everything = $wider ? $ranked : $planner->rank($now, true);
        if ($patient && !$wider) {
            // before anything is tried, or the vehicle is sent home, what the complaint spoke against
            $more = array_filter(
                $everything,
                static fn (Proposal $p): bool => $p->isPossible(true) && $p->worth->score > 0.0,
            );
            if ([] !== $more) {
                return $show(reset($more), null, 'wider');
            }
        }
        // nothing that can be made is left: what would tell, were its tool there, is said first
        $lacking = self::lacking($everything);
        if ($mass >= self::TRIAL_FROM) {
            return $show(null, $group, 'trial', ...$lacking);
        }
        $seen = SeenWrong::of($belief);
        if (null !== $seen) {
            $check = $belief->field->knowledge->checks->of($seen->reading->check);
            $once = $seen->reading->bearsAnother() && $check->canBeRepeated($now->car->drivenIn);
            $again = $once ? $planner->again($seen->reading, $now) : null;

            return null !== $again ? $show($again, null, 'repeat') : $show(null, $seen->group, 'seen');
        }
        if ($patient && $belief->second() >= self::DOUBT_FROM) {
            // two faults are rarer than one slip: what else would there be to look at, were it one fault alone?
            $alone = array_filter(
                (new Planner($belief, $settings, true))->rank($now),
                static fn (Proposal $p): bool => $p->isPossible() && $p->worth->score > 0.0,
            );
            if ([] !== $alone) {
                return $show(reset($alone), null, 'best-split');
            }
        }
        $cures = $belief->field->knowledge->cures;
        $free = 'none' !== $group->id && $cures->partsCents($group) <= 0.0;

        return $free && $mass >= self::TRIAL_WITHOUT_PARTS_FROM
            ? $show(null, $group, 'trial', ...$lacking)
            : $show(null, null, 'not-shown', ...$lacking);
    }

    /**
     * Nobody complains: what is looked at then, in its order, and no hunt.
     *
     * @param list<Proposal> $possible
     * @param list<string> $order
     */
    private static function condition(array $possible, array $order): ?Proposal
    {
        $first = null;
        $turn = \PHP_INT_MAX;
        foreach ($possible as $proposal) {
            $at = array_search($proposal->check->id, $order, true);
            // wheel by wheel, always from the same one
            $corner = array_search($proposal->at->place->corner(), Corner::cases(), true);
            $mine = false === $at ? \PHP_INT_MAX : \count(Corner::cases()) * $at + (int) $corner;
            if ($mine < $turn) {
                [$first, $turn] = [$proposal, $mine];
            }
        }

        return $first;
    }

    /**
     * The first look, in its order, as long as the vehicle stands for it.
     *
     * @param list<Proposal> $possible
     */
    private static function firstLook(array $possible, Situation $now): ?Proposal
    {
        $first = null;
        foreach ($now->firstEpoch ? $possible : [] as $proposal) {
            $turn = $proposal->check->demand->turn->first;
            $here = $now->car->onGround() || Lift::Any === $proposal->check->demand->lift;
            if (null !== $turn && $here && $turn < ($first?->check->demand->turn->first ?? \PHP_INT_MAX)) {
                $first = $proposal;
            }
        }

        return $first;
    }

    /**
     * What is worth making and only wants a tool that the shop does not have.
     *
     * @param list<Proposal> $ranked
     *
     * @return list<Proposal>
     */
    private static function lacking(array $ranked): array
    {
        $lacking = array_filter(
            $ranked,
            static fn (Proposal $one): bool => $one->worth->score > 0.0 && [] !== $one->lacks(),
        );

        return \array_slice(array_values($lacking), 0, self::OTHERS);
    }

    /** Why something is taken again: where two takes of it differ, that is why. */
    private static function said(string $reason, ?Proposal $next, Situation $now): string
    {
        $torn = null !== $next && true === $now->reading($next->at)?->isTorn();

        return $torn && \in_array($reason, ['repeat', 'contradiction'], true) ? 'torn' : $reason;
    }

    /** Nothing but the first look was made so far. */
    private static function isEarly(Belief $belief): bool
    {
        foreach ($belief->readings as $reading) {
            $check = $belief->field->knowledge->checks->of($reading->check);
            if (!$check->role->asked && null === $check->demand->turn->first) {
                return false;
            }
        }

        return true;
    }

    /**
     * Works out the forks of what is shown.
     *
     * @param list<Proposal> $others
     * @param list<Proposal> $alongside
     */
    private static function shown(
        Answers $answers,
        ?Proposal $next,
        array $others,
        ?GroupAt $repair,
        string $reason,
        ?Contradiction $contradiction,
        bool $confirmed,
        array $alongside,
    ): self {
        return new self(
            $next?->forked($answers),
            array_map(static fn (Proposal $other): Proposal => $other->forked($answers), $others),
            $repair,
            $reason,
            $contradiction,
            $confirmed,
            $alongside,
        );
    }

    /**
     * The checks at their places that confirm the likelier faults of a repair group.
     *
     * @return list<CheckAt>
     */
    public static function confirming(Belief $belief, GroupAt $group): array
    {
        $field = $belief->field;
        $found = [];
        foreach ($field->particles as $particle) {
            $share = self::SHARE_OF_GROUP * $belief->group($group);
            if (!$particle->group->is($group) || $belief->suspects[(string) $particle->suspect] < $share) {
                continue;
            }
            foreach ($particle->fault->confirm as $id) {
                foreach ($field->knowledge->checks->of($id)->everywhere($field->layout) as $check) {
                    if ($field->layout->reaches($check->place, $particle->place)) {
                        $found[(string) $check] = $check;
                    }
                }
            }
        }

        return array_values($found);
    }

    /**
     * A confirming check that can be made, else what must come before one: a wheel spun before its trap is opened.
     *
     * @param list<Proposal> $ranked
     * @param list<Proposal> $possible
     * @param list<CheckAt> $confirming
     */
    private static function toConfirm(array $ranked, array $possible, array $confirming): ?Proposal
    {
        foreach ($possible as $proposal) {
            if (self::among($proposal, $confirming)) {
                return $proposal;
            }
        }
        $first = [];
        foreach ($ranked as $proposal) {
            foreach (self::among($proposal, $confirming) ? $proposal->gates : [] as $gate) {
                array_push($first, ...array_values($gate->answers));
            }
        }
        foreach ($possible as $proposal) {
            if (self::among($proposal, $first)) {
                return $proposal;
            }
        }

        return null;
    }

    /** @param list<CheckAt> $checks */
    private static function among(Proposal $proposal, array $checks): bool
    {
        foreach ($checks as $check) {
            if ($proposal->at->is($check)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<Proposal> $possible
     *
     * @return list<Proposal>
     */
    private static function alongside(array $possible, Proposal $next): array
    {
        $there = array_filter(
            $possible,
            static fn (Proposal $p): bool => !$p->at->is($next->at)
                && $p->spot() === $next->spot()
                && $p->isWorthItThere(),
        );

        return \array_slice(array_values($there), 0, self::OTHERS);
    }

    /**
     * @param list<Proposal> $ranked
     *
     * @return list<Proposal>
     */
    private static function others(array $ranked, Proposal $next): array
    {
        $rest = array_filter($ranked, static fn (Proposal $p): bool => !$p->at->is($next->at));

        return \array_slice(array_values($rest), 0, self::OTHERS);
    }
}
