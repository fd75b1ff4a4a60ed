<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Vehicle\Lift;

/** How the vehicle stands in the workshop right now. */
final readonly class CarState
{
    /**
     * @param bool $stands stands, chocks and second support confirmed since it was raised
     * @param bool $opened the system was opened and the standing part of the proof has not passed since
     * @param bool $cool no wheel is scalding (confirmed, or never said to be)
     * @param Check|null $last made last: where the technician stands, and whether somebody sits at the pedal
     * @param array<string, float> $apart what is taken apart where, and the minutes to put it together
     * @param bool $drivenIn it came in just now: its wheels still carry the heat of the drive
     */
    public function __construct(
        public Lift $lift,
        public bool $stands = false,
        public bool $opened = false,
        public bool $cool = true,
        public bool $drivenIn = false,
        public ?Check $last = null,
        public array $apart = [],
    ) {
    }

    public function onGround(): bool
    {
        return 0 === $this->lift->level();
    }
}
