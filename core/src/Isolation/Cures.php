<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/** What the judgement must know of a repair: what it typically costs, and whether it opens the system. */
interface Cures
{
    public function opensSystem(GroupAt $group): bool;

    /** Parts in minor units. */
    public function partsCents(GroupAt $group): float;

    public function minutes(GroupAt $group): float;

    public function fluidMl(GroupAt $group): float;
}
