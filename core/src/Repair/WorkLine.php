<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Vocabulary\GroupAt;

/** A line of a visit's work list. Money in minor units. */
final readonly class WorkLine
{
    /** The line that the visit is about. */
    public const FINDING = 'finding';

    /**
     * @param string $why finding, seen, condition, again, with, side or asked
     * @param bool $in it is done in this visit
     * @param float $chance that it will be needed; 1 where that is certain
     * @param string $part kind of part that was chosen; '' where nobody chose
     * @param float $minutes beside the lines that it shares its way with
     */
    public function __construct(
        public GroupAt $group,
        public string $why,
        public bool $in,
        public float $chance,
        public float $partsCents,
        public float $minutes,
        public string $part = '',
    ) {
    }

    public function cents(float $rateCentsPerMinute): float
    {
        return $this->partsCents + $this->minutes * $rateCentsPerMinute;
    }
}
