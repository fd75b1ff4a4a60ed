<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\CoreException;

/** The network could not be solved: its parameters are outside what the equations can carry. */
final class SolverFailed extends \RuntimeException implements CoreException
{
    public static function noConvergence(string $chamber, float $seconds): self
    {
        return new self(
            \sprintf(
                'The %s circuit has no solution at %.4f s; look for a negative stiffness, volume or conductance.',
                $chamber,
                $seconds,
            ),
        );
    }
}
