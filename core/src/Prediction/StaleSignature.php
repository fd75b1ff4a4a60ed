<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\CoreException;

/** The predictions belong to another catalogue or layout and must be computed again. */
final class StaleSignature extends \RuntimeException implements CoreException
{
    public static function particles(int $now, int $then): self
    {
        return new self(
            \sprintf(
                'The predictions hold %d hypotheses, the catalogue now makes %d; compute them again.',
                $then,
                $now,
            ),
        );
    }
}
