<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Friction of the pads in their bracket. */
final readonly class BracketBand extends Plain
{
    public static function id(): string
    {
        return 'bracket-band';
    }

    public static function unit(): string
    {
        return 'N';
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->bracketBandN($asked->corner());
    }
}
