<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** What runs out of an open bleeder by the reservoir's head alone. */
final readonly class OpenLineFlow extends Plain
{
    public static function id(): string
    {
        return 'open-line-flow';
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
        return $subject->instruments->openLineMlPerS($subject->pressed(), $asked->corner());
    }
}
