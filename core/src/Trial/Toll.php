<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** What a job took. */
final readonly class Toll
{
    /**
     * @param float $cents to cure it, checks and a wrong repair counted
     * @param int $wrongParts repairs with parts that cured nothing
     * @param int $acts checks made
     * @param int $lifts times that it went up or down
     * @param int $forbidden acts that the rules refused
     * @param int $unsafe drives with what should not be driven
     */
    public function __construct(
        public float $minutes,
        public float $cents,
        public int $wrongParts,
        public int $acts,
        public int $lifts,
        public int $forbidden,
        public int $unsafe,
    ) {
    }
}
