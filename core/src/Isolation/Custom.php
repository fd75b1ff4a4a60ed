<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Station;

/** How the trade goes about it: where one stands, what is looked over, what drivers say and what complaints ask. */
final readonly class Custom
{
    /**
     * @param array<string, Station> $stations in the order of an ordinary job
     * @param list<string> $condition checks where nobody complains
     */
    public function __construct(
        public array $stations,
        public array $condition,
        public Drivers $drivers,
        public RouteBook $routes,
        public Rounds $rounds,
    ) {
    }
}
