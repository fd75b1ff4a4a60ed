<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Lift;
use Rodrel\Core\Vehicle\Corner;

/** What state the vehicle is in and what was read in this epoch, as the planner and the gates need it. */
final readonly class Situation
{
    /**
     * @param list<Reading> $readings standing readings of this epoch
     * @param bool          $stands   stands, chocks and second support confirmed since it was raised
     * @param bool          $opened   the system was opened and the standing part of the proof has not passed since
     * @param bool          $drivenIn it came in just now: its wheels still carry the heat of the drive
     * @param bool          $cool     no wheel is scalding (confirmed, or never said to be)
     */
    public function __construct(
        public Lift $lift,
        public bool $stands,
        public bool $opened,
        public bool $cool,
        public array $readings,
        public bool $drivenIn = false,
    ) {
    }

    public function outcome(string $check, string $row): ?string
    {
        foreach ($this->readings as $reading) {
            if ($reading->check === $check) {
                return $reading->outcomes[$row] ?? null;
            }
        }

        return null;
    }

    public function made(string $check): bool
    {
        foreach ($this->readings as $reading) {
            if ($reading->check === $check) {
                return true;
            }
        }

        return false;
    }

    public function anyStuck(): bool
    {
        return [] !== array_filter(Corner::cases(), fn (Corner $corner): bool => $this->stuck($corner->value));
    }

    /** A wheel was found hard to turn after a press in this epoch. */
    public function stuck(string $corner): bool
    {
        foreach (['spin@vehicle', 'spin-later@vehicle', 'spin-hard@vehicle', 'spin-hot@vehicle'] as $check) {
            if (\in_array($this->outcome($check, $corner), ['one-hand', 'two-hands', 'will-not-turn'], true)) {
                return true;
            }
        }

        return false;
    }
}
