<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What the engine says to do now: make a check, take readings again, or stop and repair. */
final readonly class Verdict
{
    /** What a fault must carry of its group's mass for its own confirming checks to count. */
    private const SHARE_OF_GROUP = 0.25;
    /** A confirming reading must be at least slightly for it. */
    private const SPEAKS_FOR = 2.0;

    /**
     * @param Proposal|null  $next   the one check to make, null when testing should stop
     * @param list<Proposal> $others the next best ones
     * @param string|null    $repair the repair group to carry out when testing should stop
     * @param string         $reason key of the sentence that says why
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public ?string $repair,
        public string $reason,
        public ?Contradiction $contradiction,
        public bool $confirmed,
    ) {
    }

    public static function of(Belief $belief, Situation $now, Settings $settings): self
    {
        $ranked = (new Planner($belief, $settings))->rank($now);
        $contradiction = Contradiction::in($belief);
        [$group, $mass] = $belief->leader() ?? ['none@vehicle', 0.0];
        $confirming = self::confirming($belief, $group);
        $confirmed = self::isConfirmed($belief, $group, $confirming);
        $possible = array_values(array_filter($ranked, static fn (Proposal $p): bool => [] === array_filter($p->gates, static fn (Gate $g): bool => \in_array($g->id, ['stuck', 'order', 'tools', 'road', 'arrival'], true))));
        $worth = array_values(array_filter($possible, static fn (Proposal $p): bool => $p->score > 0.0));
        if (null === $contradiction && ($mass >= $settings->threshold || [] === $worth)) {
            $family = array_values(array_filter($possible, static fn (Proposal $p): bool => \in_array($p->id(), $confirming, true)));
            if (!$confirmed && [] !== $family && ($mass >= $settings->threshold || self::wantsConfirmation($belief->field, $settings, $group))) {
                return new self($family[0], self::others($possible, $family[0]), null, 'confirm', null, false);
            }

            $first = self::beforeConfirming($ranked, $confirming);
            if (!$confirmed && [] === $family && null !== $first && ($mass >= $settings->threshold || self::wantsConfirmation($belief->field, $settings, $group))) {
                return new self($first, self::others($possible, $first), null, 'confirm', null, false);
            }

            return new self(null, \array_slice($possible, 0, 2), $group, $mass >= $settings->threshold ? 'threshold' : 'nothing-worth-it', null, $confirmed);
        }
        $next = $worth[0] ?? $possible[0] ?? null;
        $why = null !== $contradiction ? 'contradiction' : 'best-split';

        return new self($next, null === $next ? [] : self::others($possible, $next), null === $next ? $group : null, $why, $contradiction, $confirmed);
    }

    /**
     * What must be made before a confirming check is possible at all: a wheel spun before its trap is opened.
     *
     * @param list<Proposal> $ranked
     * @param list<string>   $confirming
     */
    private static function beforeConfirming(array $ranked, array $confirming): ?Proposal
    {
        $wanted = [];
        foreach ($ranked as $proposal) {
            if (\in_array($proposal->id(), $confirming, true)) {
                foreach ($proposal->gates as $gate) {
                    $wanted = [...$wanted, ...array_map(static fn (string $unmet): string => str_replace('-first', '@vehicle', $unmet), $gate->unmet)];
                }
            }
        }
        foreach ($ranked as $proposal) {
            if (\in_array($proposal->id(), $wanted, true) && [] === array_filter($proposal->gates, static fn (Gate $gate): bool => \in_array($gate->id, ['stuck', 'order', 'tools', 'road', 'arrival'], true))) {
                return $proposal;
            }
        }

        return null;
    }

    /** Opening the system, or buying a part over the shop's limit, always wants the confirming check first. */
    private static function wantsConfirmation(Field $field, Settings $settings, string $group): bool
    {
        $repair = $field->catalogue->repair($group);

        return $repair->opensSystem || ($settings->prices[$repair->id]['parts_cents'] ?? $repair->partsCents) > $settings->confirmAboveCents;
    }

    /** @return list<string> check ids at places that confirm the likelier faults of a repair group */
    public static function confirming(Belief $belief, string $group): array
    {
        $field = $belief->field;
        $ids = [];
        foreach ($field->particles as $i => $particle) {
            if ($field->groups[$field->groupOf[$i]] !== $group || $belief->suspects[$particle->suspect()] < self::SHARE_OF_GROUP * $belief->group($group)) {
                continue;
            }
            foreach ($particle->fault->confirm as $check) {
                foreach ($field->catalogue->check($check)->places->in($field->layout) as $place) {
                    if ('vehicle' === $place || 'vehicle' === $particle->place || $place === $particle->place || 'rear' === $particle->place && 'r' === $place[1]) {
                        $ids[$check.'@'.$place] = true;
                    }
                }
            }
        }

        return array_keys($ids);
    }

    /**
     * One of its own checks was made and spoke for it; a trap that would not stick says nothing.
     *
     * @param list<string> $confirming
     */
    private static function isConfirmed(Belief $belief, string $group, array $confirming): bool
    {
        $made = array_filter($belief->readings, static fn (Reading $reading): bool => \in_array($reading->check, $confirming, true));
        if ([] === $made) {
            return false;
        }
        foreach (Explanation::of($belief, $group) as $argument) {
            if (\in_array($argument->reading->check, $confirming, true) && $argument->ratio >= self::SPEAKS_FOR) {
                return true;
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
        return \array_slice(array_values(array_filter($ranked, static fn (Proposal $p): bool => $p->id() !== $next->id())), 0, 2);
    }
}
