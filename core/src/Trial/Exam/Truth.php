<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

/** What ails the vehicle of a written job, and how long who does not know it needs. */
final readonly class Truth
{
    /**
     * @param list<string> $right repair groups that cure it; none where nothing is wrong
     * @param list<string> $also repair groups that cure its second fault
     * @param string $kind whose lists of sensible checks hold
     */
    public function __construct(
        public array $right,
        public array $also,
        public float $minutes,
        public string $kind,
    ) {
    }

    /** @return list<string> every repair that cures something */
    public function cures(): array
    {
        return [...$this->right, ...$this->also];
    }
}
