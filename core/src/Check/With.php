<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/** The parameters that a row of the catalogue gives to its probe. */
final readonly class With
{
    /** @param array<string, float|string> $values */
    public function __construct(private array $values = [])
    {
    }

    public function number(string $name): float
    {
        return (float) ($this->values[$name] ?? 0.0);
    }

    public function word(string $name): string
    {
        return (string) ($this->values[$name] ?? '');
    }
}
