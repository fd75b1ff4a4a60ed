<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pedal travel of a firm press. */
final readonly class Travel extends Plain
{
    public static function id(): string
    {
        return 'travel';
    }

    public static function unit(): string
    {
        return 'mm';
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
