<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Friction of the guide pins. */
final readonly class PinBand extends Plain
{
    public static function id(): string
    {
        return 'pin-band';
    }

    public static function unit(): string
    {
        return 'N';
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
        return $subject->instruments->frictionOf($subject->pressed(), $asked->corner())->band->pinsN;
    }
}
