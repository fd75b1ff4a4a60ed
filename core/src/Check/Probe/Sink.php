<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** How far the pedal goes on down in half a minute's firm hold. */
final readonly class Sink implements Probe
{
    public static function id(): string
    {
        return 'sink';
    }

    public static function unit(): string
    {
        return 'mm';
    }

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
        return [Program::hold(150.0, 30.0)];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->instruments->sinkMm($subject->run(Program::hold(150.0, 30.0)));
    }
}
