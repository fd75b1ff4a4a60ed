<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Share of the pressure that is left a minute after the pedal was propped at the end of a firm press. */
final readonly class Propped extends Plain
{
    public static function id(): string
    {
        return 'propped';
    }

    public static function unit(): string
    {
        return '1';
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
        return $subject->proppedShare($asked->corner());
    }
}
