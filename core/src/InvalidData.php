<?php

declare(strict_types=1);

namespace Rodrel\Core;

/** A catalogue, layout or request document that cannot be used; `path` is a JSON pointer to the place. */
final class InvalidData extends \InvalidArgumentException implements CoreException
{
    private function __construct(public readonly string $path, string $message)
    {
        parent::__construct($message);
    }

    public static function at(string $path, string $what): self
    {
        return new self($path, \sprintf('%s: %s', '' === $path ? '/' : $path, $what));
    }
}
