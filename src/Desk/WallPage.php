<?php

declare(strict_types=1);

namespace App\Desk;

/** What is read from two metres away: what is next, how it is said to the helper, what to beware of, how long still. */
final readonly class WallPage
{
    /**
     * @param list<string> $cautions
     * @param list<string> $spoken
     * @param int $wait seconds until what waits may go on; 0 for nothing
     */
    public function __construct(
        public string $unit,
        public string $stage,
        public string $next,
        public string $how,
        public array $cautions,
        public array $spoken,
        public int $wait,
        public int $head,
    ) {
    }
}
