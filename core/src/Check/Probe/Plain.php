<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;

/** A probe that is given nothing, is not read at a wheel and runs nothing of its own, unless it says so. */
abstract readonly class Plain implements Probe
{
    /** @return array<string, array{float, float}|non-empty-list<string>> */
    public static function parameters(): array
    {
        return [];
    }

    public static function atAWheel(): bool
    {
        return false;
    }

    public function programs(Asked $asked): array
    {
        return [];
    }
}
