<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Seconds in which the supply fills the booster nearly full. */
final readonly class Supply extends Plain
{
    public static function id(): string
    {
        return 'vacuum-fills';
    }

    public static function unit(): string
    {
        return 's';
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->vacuum()->fillsInS();
    }
}
