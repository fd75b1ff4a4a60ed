<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/**
 * What the engine says to do now: make a check, take a reading again, or stop and repair. Rules in the order in which a
 * technician would ask himself; the first that says something decides.
 */
final readonly class Verdict
{
    private const OTHERS = 2;

    public ?Contradiction $contradiction;
    public bool $confirmed;

    /**
     * @param Proposal|null $next the one check to make, null when testing should stop
     * @param list<Proposal> $others the next best ones; where testing stops without certainty first those that want but
     *     a tool
     * @param GroupAt|null $repair to carry out when testing should stop; null too where it was not shown
     * @param string $reason key of the sentence that says why
     * @param list<Proposal> $alongside what else is worth doing at the station of the next one
     * @param Standing $standing what it was decided on
     * @param list<Proposal> $looks what is looked at before something is opened, the next one among it
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public ?GroupAt $repair,
        public string $reason,
        public array $alongside,
        public Standing $standing,
        public array $looks,
    ) {
        $this->contradiction = $standing->contradiction;
        $this->confirmed = $standing->proof->given;
    }

    /** @return list<Rules\Rule> in their order */
    public static function rules(): array
    {
        return [
            new Rules\FirstLook(),
            new Rules\LookedOver(),
            new Rules\CauseSeen(),
            new Rules\OddAgain(),
            new Rules\OwnChecks(),
            new Rules\TriedItself(),
            new Rules\LetGo(),
            new Rules\Split(),
            new Rules\Confirm(),
            new Rules\DoubtfulAgain(),
            new Rules\CheapFirst(),
            new Rules\WorthItsMoney(),
            new Rules\Signed(),
            new Rules\Wider(),
            new Rules\Trial(),
            new Rules\SeenAtLeast(),
            new Rules\NotShown(),
        ];
    }

    public static function of(Belief $belief, Situation $now, Settings $settings): self
    {
        $standing = new Standing($belief, $now, $settings);
        foreach (self::rules() as $rule) {
            $decision = $rule->decide($standing);
            if (null !== $decision) {
                return self::shown($standing, $decision);
            }
        }

        throw new \LogicException('The last rule always says something.');
    }

    /** With what stands beside it, and the forks of what is shown. */
    private static function shown(Standing $standing, Decision $decision): self
    {
        $answers = $standing->planner->answers;
        $forked = static fn (Proposal $one): Proposal => $one->forked($answers);
        $next = $decision->next;
        $possible = Standing::possible($standing->onRoute());
        $rest = array_filter(
            [...$decision->first, ...$possible],
            static fn (Proposal $one): bool => null === $next || !$one->at->is($next->at),
        );
        $there = array_filter(
            $possible,
            static fn (Proposal $one): bool => null !== $next
                && !$one->at->is($next->at)
                && $one->spot() === $next->spot()
                && $one->isWorthItThere(),
        );

        return new self(
            null === $next ? null : $forked($next),
            array_map($forked, \array_slice(array_values($rest), 0, self::OTHERS)),
            $decision->repair,
            self::said($decision, $standing->now),
            \array_slice(array_values($there), 0, self::OTHERS),
            $standing,
            $decision->looks,
        );
    }

    /** Why something is taken again: where two takes of it differ, that is why. */
    private static function said(Decision $decision, Situation $now): string
    {
        $torn = null !== $decision->next && true === $now->reading($decision->next->at)?->isTorn();

        return $torn && \in_array($decision->reason, ['repeat', 'contradiction'], true) ? 'torn' : $decision->reason;
    }
}
