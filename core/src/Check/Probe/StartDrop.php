<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** How far a held pedal drops in the two seconds after the engine was started on a spent booster. */
final readonly class StartDrop extends Plain
{
    public static function id(): string
    {
        return 'start-drop';
    }

    public static function unit(): string
    {
        return 'mm';
    }

    public function programs(Asked $asked): array
    {
        return [Program::start()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        $run = $subject->run(Program::start());

        return max(0.0, $run->travelMm(Program::STARTED_2_S) - $run->travelMm(Program::BEFORE_START));
    }
}
