<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

use Rodrel\Core\CoreException;

/** A place that follows the rotor with a lag says nothing about the drive after some minutes. */
final class TooLate extends \DomainException implements CoreException
{
    public static function at(string $place): self
    {
        return new self(
            \sprintf('"%s" is no longer a measure of the drive: take rotor or drum, or drive the loop again.', $place),
        );
    }
}
