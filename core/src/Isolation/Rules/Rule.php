<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** One rule of what to do now. They are asked in their order; the first that says something decides. */
interface Rule
{
    public function decide(Standing $at): ?Decision;
}
