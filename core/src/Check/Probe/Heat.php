<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Rotor or drum over the air at the end of a drive. */
final readonly class Heat implements Probe
{
    public static function id(): string
    {
        return 'heat';
    }

    public static function unit(): string
    {
        return 'K';
    }

    public static function parameters(): array
    {
        return ['drive' => []];
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function programs(Asked $asked): array
    {
        return [Program::press(), Program::series()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->heatK($subject->drive($asked->with->word('drive')), $asked->corner());
    }
}
