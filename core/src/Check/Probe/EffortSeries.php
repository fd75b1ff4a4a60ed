<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Effort at the tread after ten quick presses, against a sound vehicle pressed once. */
final readonly class EffortSeries extends Plain
{
    public static function id(): string
    {
        return 'effort-series';
    }

    public static function unit(): string
    {
        return 'N';
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function programs(Asked $asked): array
    {
        return [Program::press(), Program::series()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->instruments->effortN(
            $subject->driven(),
            $subject->sound()->pressed(),
            $asked->corner(),
            Program::AFTER_4_S,
        );
    }
}
