<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pressure at the bleeder while held (0), or so many seconds after letting go. */
final readonly class Gauge implements Probe
{
    public static function id(): string
    {
        return 'gauge';
    }

    public static function unit(): string
    {
        return 'kPa';
    }

    public static function parameters(): array
    {
        return ['after_s' => [0.0, 30.0]];
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
        return $subject->pressed()->wheelKpa($asked->corner(), match ((int) $asked->with->number('after_s')) {
            1 => Program::AFTER_1_S,
            5 => Program::AFTER_5_S,
            30 => Program::AFTER_30_S,
            default => Program::HELD,
        });
    }
}
