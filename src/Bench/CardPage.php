<?php

declare(strict_types=1);

namespace App\Bench;

/** A complaint that comes and goes: what the shop tries, what the driver notes. */
final readonly class CardPage
{
    /**
     * @param list<string> $try how to make it show
     * @param list<string> $looks what is looked at while it shows
     * @param list<string> $note what the driver writes down
     */
    public function __construct(
        public string $unit,
        public string $complaint,
        public array $try,
        public array $looks,
        public array $note,
    ) {
    }
}
