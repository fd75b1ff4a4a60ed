<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** What a job ended with, against the truth. */
final readonly class Ending
{
    /**
     * @param string $end reason of the last verdict, `endless`, or `out-of-checks`
     * @param string $signed repair group; '' for none
     * @param bool $right it cures something, or there was nothing to see, or a report of its condition names it
     * @param bool $mode the leading fault and place are true
     * @param float $mass belief in what was signed
     * @param bool $second of two faults, after the first right repair, the other one was named
     * @param bool $cured at last, however many repairs it took
     */
    public function __construct(
        public string $end,
        public string $signed,
        public bool $right,
        public bool $mode,
        public float $mass,
        public bool $second,
        public bool $cured = false,
    ) {
    }
}
