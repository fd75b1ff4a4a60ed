<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Air that shows at an opened bleeder: what is at the wheel, and some of what is before it. */
final readonly class AirAt extends Plain
{
    public static function id(): string
    {
        return 'air-at';
    }

    public static function unit(): string
    {
        return 'mL';
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->airAtMl($asked->corner());
    }
}
