<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** How much less the whole vehicle brakes than a sound one at the same foot: 0 as well, 1 not at all. */
final readonly class Weakness extends Plain
{
    public static function id(): string
    {
        return 'weakness';
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
        return $subject->weakness();
    }
}
