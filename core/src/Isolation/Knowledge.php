<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Fault\Faults;

/** What of the catalogue the judgement rests on. */
final readonly class Knowledge
{
    public function __construct(
        public Faults $faults,
        public Checks $checks,
        public Cures $cures,
        public GateBook $gates,
    ) {
    }
}
