<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** The lower of an axle's two pressures while the foot of the check is held. */
final readonly class GaugeLight extends Plain
{
    public static function id(): string
    {
        return 'gauge-light';
    }

    public static function unit(): string
    {
        return 'kPa';
    }

    public function programs(Asked $asked): array
    {
        return [Program::pressFor($asked->footN, $asked->holdS)];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        $run = $subject->run($subject->instruments->programs->pressFor($asked->footN, $asked->holdS));

        $lowest = \INF;
        foreach ($asked->place->wheels() as $corner) {
            $lowest = min($lowest, $run->wheelKpa($corner, Program::HELD));
        }

        return $lowest;
    }
}
