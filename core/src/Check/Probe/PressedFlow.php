<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\Program;

/**
 * What comes out of an open bleeder, or of the pipe's end at the top of the hose, in the first instant of a press: the
 * foot's pressure over what the line takes.
 */
final readonly class PressedFlow extends Plain
{
    public static function id(): string
    {
        return 'pressed-flow';
    }

    public static function unit(): string
    {
        return 'mL/s';
    }

    public static function parameters(): array
    {
        return ['at' => ['wheel', 'hose-top']];
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
        return $subject->instruments->pressedLineMlPerS(
            $subject->pressed(),
            $asked->corner(),
            Joint::from($asked->with->word('at')),
        );
    }
}
