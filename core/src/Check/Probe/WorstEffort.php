<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Effort at the wheel that is hardest to turn, with engine, without, or with a hand pump at the booster. */
final readonly class WorstEffort extends Plain
{
    public static function id(): string
    {
        return 'worst-effort';
    }

    public static function unit(): string
    {
        return 'N';
    }

    public static function parameters(): array
    {
        return ['assist' => ['engine', 'none', 'hand-pump']];
    }

    public function programs(Asked $asked): array
    {
        return match ($asked->with->word('assist')) {
            'none' => [Program::pressEngineOff(Program::FIRM_OFF_N)],
            'hand-pump' => [Program::handPump(), Program::press()],
            default => [Program::press()],
        };
    }

    public function read(Subject $subject, Asked $asked): float
    {
        $programs = $subject->instruments->programs;

        return $subject->worstEffortN(match ($asked->with->word('assist')) {
            'none' => $programs->pressEngineOff(),
            // a hand pump makes a difference only where the booster itself holds on
            'hand-pump' => $subject->boosterHolds() ? $programs->handPump() : $programs->press(),
            default => $programs->press(),
        });
    }
}
