<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** How far the master moves away under a firm press. */
final readonly class MountMoves extends Plain
{
    public static function id(): string
    {
        return 'mount-moves';
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
        $given = $subject->pressed()->givenMm[Program::HELD] ?? 0.0;

        return max(0.0, $given - $subject->effect('pedal', null, 'slack', 0.0));
    }
}
