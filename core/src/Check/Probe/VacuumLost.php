<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Vacuum that is lost in the first minute after the engine was stopped, pedal up. */
final readonly class VacuumLost extends Plain
{
    public static function id(): string
    {
        return 'vacuum-lost';
    }

    public static function unit(): string
    {
        return 'kPa';
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->vacuum()->lostInAMinuteKpa();
    }
}
