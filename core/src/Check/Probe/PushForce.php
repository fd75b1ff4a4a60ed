<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Force that pushes a piston back slowly, bleeder shut, cap loose. */
final readonly class PushForce extends Plain
{
    public static function id(): string
    {
        return 'push-force';
    }

    public static function unit(): string
    {
        return 'N';
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
        return $subject->pushBack($asked->corner())->slowN;
    }
}
