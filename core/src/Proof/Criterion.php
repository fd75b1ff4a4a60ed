<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

use Rodrel\Core\Vocabulary\CheckAt;

/** One gate of the proof run and how it stands. */
final readonly class Criterion
{
    public const OPEN = 'open';
    public const PASSED = 'passed';
    public const FAILED = 'failed';
    public const WAIVED = 'waived';

    public string $id;
    /** Belongs to the part before any wheel turns on the road. */
    public bool $standing;
    /** What it is computed from, where no check answers it. */
    public ?string $computed;
    /** @var list<string> repairs that want it; none: all of them do */
    public array $after;
    /** Whether a lead may waive it with a reason. */
    public bool $waivable;

    /**
     * @param string $status one of the constants
     * @param CheckAt|null $check the check that answers it, null when it is computed from the repair sheet
     * @param list<string> $missing what is still wanting or wrong: rows, steps
     * @param string|null $reason for which it was waived
     */
    public function __construct(
        CriterionRule $rule,
        public string $status,
        public ?CheckAt $check,
        public array $missing,
        public ?string $reason = null,
    ) {
        $this->id = $rule->id;
        $this->standing = $rule->standing;
        $this->computed = $rule->computed;
        $this->after = $rule->after;
        $this->waivable = !$rule->neverWaived;
    }

    public function isSettled(): bool
    {
        return self::PASSED === $this->status || self::WAIVED === $this->status;
    }
}
