<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\Program;

/** What runs out of the pipe's end at the top of a hose by the reservoir's head alone. */
final readonly class PipeFlow extends Plain
{
    public static function id(): string
    {
        return 'pipe-flow';
    }

    public static function unit(): string
    {
        return 'mL/s';
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function programs(Asked $asked): array
    {
        return [Program::press()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->instruments->openLineMlPerS(
            $subject->pressed(),
            $asked->corner(),
            Joint::HoseTop,
        );
    }
}
