<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/** What one rule says: the next check, or what to repair, or neither where the vehicle is let go. */
final readonly class Decision
{
    /**
     * @param string $reason key of the sentence that says why
     * @param list<Proposal> $first what to show first beside it: what a missing tool would tell
     * @param list<Proposal> $looks what is looked at before something is opened, the next one among it
     */
    private function __construct(
        public ?Proposal $next,
        public ?GroupAt $repair,
        public string $reason,
        public array $first = [],
        public array $looks = [],
    ) {
    }

    public static function look(Proposal $next, string $reason): self
    {
        return new self($next, null, $reason);
    }

    /** What tells, or what is looked at before it is opened. */
    public static function opening(Proposal $wanted, string $reason, Standing $at): self
    {
        $looks = Rules\LookFirst::all($wanted, $at);

        return new self($looks[0] ?? $wanted, null, $reason, [], $looks);
    }

    public static function repair(GroupAt $group, string $reason, Proposal ...$first): self
    {
        return new self(null, $group, $reason, array_values($first));
    }

    /** Nothing is named: not shown today, or looked over. */
    public static function end(string $reason, Proposal ...$first): self
    {
        return new self(null, null, $reason, array_values($first));
    }
}
