<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** What the engine says to do now: make a check, take readings again, or stop and repair. */
final readonly class Verdict
{
    /** What a fault must carry of its group's mass for its own confirming checks to count (share; estimate). */
    private const SHARE_OF_GROUP = 0.25;
    /** A confirming reading must be at least slightly for it (likelihood ratio; handbook). */
    private const SPEAKS_FOR = 2.0;
    private const OTHERS = 2;

    /**
     * @param Proposal|null $next the one check to make, null when testing should stop
     * @param list<Proposal> $others the next best ones
     * @param GroupAt|null $repair the repair group to carry out when testing should stop
     * @param string $reason key of the sentence that says why
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public ?GroupAt $repair,
        public string $reason,
        public ?Contradiction $contradiction,
        public bool $confirmed,
    ) {
    }

    public static function of(Belief $belief, Situation $now, Settings $settings): self
    {
        $planner = new Planner($belief, $settings);
        $ranked = $planner->rank($now);
        $contradiction = Contradiction::in($belief);
        [$group, $mass] = $belief->leader();
        $confirming = self::confirming($belief, $group);
        $confirmed = self::isConfirmed($belief, $group, $confirming);
        $possible = array_values(array_filter($ranked, static fn (Proposal $p): bool => $p->isPossible()));
        $worth = array_values(array_filter($possible, static fn (Proposal $p): bool => $p->worth->score > 0.0));
        $passed = $mass >= $settings->threshold;
        if (null === $contradiction && ($passed || [] === $worth)) {
            $wanted = !$confirmed && ($passed || self::wantsConfirmation($belief->field, $settings, $group));
            $confirm = $wanted ? self::toConfirm($ranked, $possible, $confirming) : null;
            if (null !== $confirm) {
                return self::shown($planner, $confirm, self::others($possible, $confirm), null, 'confirm', null, false);
            }
            $why = $passed ? 'threshold' : 'nothing-worth-it';

            $others = \array_slice($possible, 0, self::OTHERS);

            return self::shown($planner, null, $others, $group, $why, null, $confirmed);
        }
        $next = $worth[0] ?? $possible[0] ?? null;

        return self::shown(
            $planner,
            $next,
            null === $next ? [] : self::others($possible, $next),
            null === $next ? $group : null,
            null !== $contradiction ? 'contradiction' : 'best-split',
            $contradiction,
            $confirmed,
        );
    }

    /**
     * Works out the forks of what is shown.
     *
     * @param list<Proposal> $others
     */
    private static function shown(
        Planner $planner,
        ?Proposal $next,
        array $others,
        ?GroupAt $repair,
        string $reason,
        ?Contradiction $contradiction,
        bool $confirmed,
    ): self {
        return new self(
            $next?->forked($planner),
            array_map(static fn (Proposal $other): Proposal => $other->forked($planner), $others),
            $repair,
            $reason,
            $contradiction,
            $confirmed,
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
                array_push($first, ...$gate->answers);
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

    /** Opening the system, or buying a part over the shop's limit, always wants the confirming check first. */
    private static function wantsConfirmation(Field $field, Settings $settings, GroupAt $group): bool
    {
        $cures = $field->knowledge->cures;
        $parts = $settings->prices[$group->id]['parts_cents'] ?? $cures->partsCents($group);

        return $cures->opensSystem($group) || $parts > $settings->confirmAboveCents;
    }

    /**
     * One of its own checks was made and spoke for it; a trap that would not stick says nothing.
     *
     * @param list<CheckAt> $confirming
     */
    private static function isConfirmed(Belief $belief, GroupAt $group, array $confirming): bool
    {
        foreach (Explanation::of($belief, $group) as $argument) {
            foreach ($confirming as $check) {
                if ($argument->reading->check->is($check) && $argument->ratio >= self::SPEAKS_FOR) {
                    return true;
                }
            }
        }

        return false;
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
