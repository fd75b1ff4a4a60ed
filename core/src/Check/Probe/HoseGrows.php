<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** What a hose takes more per kPa: one that grows in the hand. */
final readonly class HoseGrows extends Plain
{
    public static function id(): string
    {
        return 'hose-grows';
    }

    public static function unit(): string
    {
        return 'mL/kPa';
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
        return $subject->instruments->hoseMlPerKpa($subject->pressed(), $asked->corner());
    }
}
