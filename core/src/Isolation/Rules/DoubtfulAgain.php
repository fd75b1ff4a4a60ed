<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Decision;
use Rodrel\Core\Isolation\Standing;

/** What carries a dear finding alone, and what its own check says against it, is taken once more. */
final readonly class DoubtfulAgain implements Rule
{
    /** Nothing longer is taken again (min; handbook); before something dear is bought a little more. */
    private const MINUTES = 5.0;
    private const DEAR_MINUTES = 8.0;

    public function decide(Standing $at): ?Decision
    {
        if (!$at->passed()) {
            return null;
        }
        $minutes = $at->proof->wanted ? self::DEAR_MINUTES : self::MINUTES;
        foreach (array_filter([$at->proof->against, $at->proof->lone]) as $doubtful) {
            $again = $at->again($doubtful, $minutes);
            if (null !== $again) {
                return Decision::look($again, 'repeat');
            }
        }

        return null;
    }
}
