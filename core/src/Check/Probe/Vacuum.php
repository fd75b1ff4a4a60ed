<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Vacuum at the booster, below the air. */
final readonly class Vacuum extends Plain
{
    public static function id(): string
    {
        return 'vacuum';
    }

    public static function unit(): string
    {
        return 'kPa';
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->vacuumKpa();
    }
}
