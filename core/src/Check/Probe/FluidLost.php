<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Fluid that a chamber of the reservoir loses on an ordinary day. */
final readonly class FluidLost extends Plain
{
    public static function id(): string
    {
        return 'fluid-lost';
    }

    public static function unit(): string
    {
        return 'mL';
    }

    public function programs(Asked $asked): array
    {
        return [Program::stop()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->ledger()->lostMlADay($asked->place->id);
    }
}
