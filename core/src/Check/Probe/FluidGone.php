<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Fluid that the whole vehicle loses on an ordinary day, or that part of it that drips. */
final readonly class FluidGone extends Plain
{
    public static function id(): string
    {
        return 'fluid-gone';
    }

    public static function unit(): string
    {
        return 'mL';
    }

    public static function parameters(): array
    {
        return ['what' => ['all', 'outside']];
    }

    public function programs(Asked $asked): array
    {
        return [Program::stop()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return 'outside' === $asked->with->word('what')
            ? $subject->ledger()->outsideMlADay()
            : $subject->ledger()->allMlADay();
    }
}
