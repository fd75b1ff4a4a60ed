<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Seconds until a wheel turns with one finger. */
final readonly class FreeAfter extends Plain
{
    public static function id(): string
    {
        return 'free-after';
    }

    public static function unit(): string
    {
        return 's';
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
        return $subject->instruments->freeAfterS($subject->pressed(), $subject->sound()->pressed(), $asked->corner());
    }
}
