<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Effort at the tread after a drive: behind a closed port the heat has added to it. */
final readonly class EffortHot extends Plain
{
    public static function id(): string
    {
        return 'effort-hot';
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
        return $subject->effortHotN($asked->corner());
    }
}
