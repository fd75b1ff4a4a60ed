<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Braking force in a brisk stop over what the road under the wheel can take; above 1 it locks. */
final readonly class GripUsed extends Plain
{
    public static function id(): string
    {
        return 'grip-used';
    }

    public static function unit(): string
    {
        return '1';
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function programs(Asked $asked): array
    {
        return [Program::stop()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->gripsUsed()[$asked->corner()->value];
    }
}
