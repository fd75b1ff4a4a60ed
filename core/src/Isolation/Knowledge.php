<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Check\Station;
use Rodrel\Core\Fault\Faults;
use Rodrel\Core\Fault\PairBook;

/** What of the catalogue the judgement rests on. */
final readonly class Knowledge
{
    /** What drivers call things. */
    public Drivers $drivers;
    /** What every complaint calls for. */
    public RouteBook $routes;

    /**
     * @param array<string, Station> $stations in the order of an ordinary job
     * @param list<string> $condition checks where nobody complains
     */
    public function __construct(
        public Faults $faults,
        public Checks $checks,
        public Cures $cures,
        public GateBook $gates,
        public array $stations = [],
        public ?PairBook $pairs = null,
        public array $condition = [],
        ?Drivers $drivers = null,
        ?RouteBook $routes = null,
    ) {
        $this->drivers = $drivers ?? Drivers::plain();
        $this->routes = $routes ?? RouteBook::none();
    }
}
