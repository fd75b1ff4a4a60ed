<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** What speaks against every suspect is taken once more, where that costs little. */
final readonly class OddAgain implements Rule
{
    /** Nothing longer is taken again (min; handbook). */
    private const MINUTES = 5.0;

    public function decide(Standing $at): ?Decision
    {
        foreach ($at->contradiction->again ?? [] as $odd) {
            $again = $at->again($odd, self::MINUTES);
            if (null !== $again) {
                return Decision::look($again, 'contradiction');
            }
        }

        return null;
    }
}
