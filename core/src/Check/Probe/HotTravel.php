<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pedal travel after a long descent, over that of the same vehicle cold. */
final readonly class HotTravel extends Plain
{
    public static function id(): string
    {
        return 'hot-travel';
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
        return $subject->hotTravelShare();
    }
}
