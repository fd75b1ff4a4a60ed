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
    /** @var array<string, Station> in the order of an ordinary job */
    public array $stations;
    /** @var list<string> checks where nobody complains */
    public array $condition;
    public Drivers $drivers;
    public RouteBook $routes;
    public Rounds $rounds;

    public function __construct(
        public Faults $faults,
        public Checks $checks,
        public Cures $cures,
        public GateBook $gates,
        public PairBook $pairs,
        Custom $custom,
    ) {
        $this->stations = $custom->stations;
        $this->condition = $custom->condition;
        $this->drivers = $custom->drivers;
        $this->routes = $custom->routes;
        $this->rounds = $custom->rounds;
    }
}
