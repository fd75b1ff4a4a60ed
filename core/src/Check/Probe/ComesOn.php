<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Brake torque in the first instant of a light press, over that of a sound vehicle. */
final readonly class ComesOn extends Plain
{
    public static function id(): string
    {
        return 'comes-on';
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
        $now = $subject->stopped()->torqueNm($asked->corner(), Program::FIRST_INSTANT);
        $sound = $subject->sound()->stopped()->torqueNm($asked->corner(), Program::FIRST_INSTANT);

        return max(0.0, $now) / max(1.0, $sound);
    }
}
