<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

use Rodrel\Core\CoreException;

/** A surface that mirrors its surroundings cannot be read by infrared. */
final class TooBright extends \DomainException implements CoreException
{
    public static function surface(string $surface): self
    {
        return new self(
            \sprintf(
                '"%s" mirrors what is around it: aim at tape, chalk or a dull spot, or use a contact probe.',
                $surface,
            ),
        );
    }

    public static function unknown(string $surface): self
    {
        return new self(\sprintf('There is no surface "%s".', $surface));
    }
}
