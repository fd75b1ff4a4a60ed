<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pedal travel of a firm press. */
final readonly class Travel implements Probe
{
    public static function id(): string
    {
        return 'travel';
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
        return [Program::press()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->pressed()->travelMm(Program::HELD);
    }
}
