<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Isolation\Labour;
use Rodrel\Core\Vehicle\Layout;

/** What a work list is made by: the vehicle, the shop's rates, its schools, the parts that were chosen. */
final readonly class WorkTerms
{
    /** @param array<string, string> $parts kind of part by group */
    public function __construct(
        public Layout $layout,
        public Labour $labour,
        public Practice $practice,
        public array $parts = [],
    ) {
    }
}
