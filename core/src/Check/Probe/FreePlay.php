<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Way of the pedal by hand until the master's piston is met. */
final readonly class FreePlay extends Plain
{
    public static function id(): string
    {
        return 'free-play';
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
        // a rod that holds the master forward leaves no play
        if ($subject->effect('booster', null, 'preload', 0.0) > 0.0) {
            return 0.0;
        }

        return $subject->instruments->freePlayMm($subject->pressed(), $subject->effect('pedal', null, 'slack', 0.0));
    }
}
