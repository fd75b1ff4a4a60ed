<?php

declare(strict_types=1);

namespace App\Input;

/** What was typed cannot be used; `key` names the sentence that says what to do. */
final class InvalidInput extends \InvalidArgumentException
{
    /** @param array<string, string> $parameters */
    private function __construct(public readonly string $key, public readonly array $parameters)
    {
        parent::__construct($key);
    }

    /** @param array<string, string> $parameters */
    public static function because(string $key, array $parameters = []): self
    {
        return new self($key, $parameters);
    }
}
