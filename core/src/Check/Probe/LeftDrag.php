<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Drag in the minute after a press, on average: what dust and smell remember of ordinary driving. */
final readonly class LeftDrag extends Plain
{
    public static function id(): string
    {
        return 'left-drag';
    }

    public static function unit(): string
    {
        return 'N·m';
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
        return $subject->instruments->meanDragNm($subject->driven(), $asked->corner());
    }
}
