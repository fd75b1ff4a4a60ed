<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** How much further than usual the lining at a wheel has to go before it touches. */
final readonly class Clearance extends Plain
{
    public static function id(): string
    {
        return 'clearance';
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
        return $subject->extraClearanceMl($asked->corner());
    }
}
