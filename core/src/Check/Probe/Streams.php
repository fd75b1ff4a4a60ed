<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Natural logarithm of the left front bleeder's stream over the right one's, the pedal lightly pressed. */
final readonly class Streams extends Plain
{
    public static function id(): string
    {
        return 'streams';
    }

    public static function unit(): string
    {
        return '1';
    }

    public function programs(Asked $asked): array
    {
        return [Program::press()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->instruments->streams($subject->pressed());
    }
}
