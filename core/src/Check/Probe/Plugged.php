<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/**
 * Pedal with plugs in both master ports, in the modulator's outlets or in place of the hoses: how much further than its
 * play it goes, or how far it sinks.
 */
final readonly class Plugged extends Plain
{
    public static function id(): string
    {
        return 'plugged';
    }

    public static function unit(): string
    {
        return 'mm';
    }

    public static function parameters(): array
    {
        return ['at' => ['master', 'modulator', 'hose'], 'reads' => ['takes', 'sinks']];
    }

    public function programs(Asked $asked): array
    {
        return [Program::hold(Program::FIRM_N, 30.0)];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->pluggedMm($asked->with->word('at'), $asked->with->word('reads'));
    }
}
