<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Fluid that comes back through an open port at the first press: 1, or 0.1 where it is closed. */
final readonly class Ripple extends Plain
{
    private const NOTHING = 0.1;  // what an eye takes for a ripple where there is none (estimate; 0.02 to 0.3)

    public static function id(): string
    {
        return 'ripple';
    }

    public static function unit(): string
    {
        return '1';
    }

    public function programs(Asked $asked): array
    {
        return [Program::press()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->pressed()->circuits[$asked->place->id]->piston->portOpens() ? 1.0 : self::NOTHING;
    }
}
