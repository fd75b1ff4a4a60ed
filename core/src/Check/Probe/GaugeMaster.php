<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pressure at a chamber's outlet while held (0), or five seconds after letting go. */
final readonly class GaugeMaster extends Plain
{
    public static function id(): string
    {
        return 'gauge-master';
    }

    public static function unit(): string
    {
        return 'kPa';
    }

    public static function parameters(): array
    {
        return ['after_s' => [0.0, 5.0]];
    }

    public function programs(Asked $asked): array
    {
        return [Program::press()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->pressed()->chamberKpa(
            (string) $asked->place,
            $asked->with->number('after_s') > 0.0 ? Program::AFTER_5_S : Program::HELD,
        );
    }
}
