<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Physics\Program;

/** The presses that probes ask for over and over again, made once. */
final class Programs
{
    /** @var array<string, Program> */
    private array $made = [];

    public function press(float $forceN = Program::FIRM_N, float $holdS = Program::HELD_S): Program
    {
        return $this->made["$forceN $holdS"] ??= Program::press($forceN, $holdS);
    }

    /** Looked at only as long as its words want. */
    public function pressFor(float $forceN, float $holdS): Program
    {
        return $this->made["for $forceN $holdS"] ??= Program::pressFor($forceN, $holdS);
    }

    public function pressEngineOff(): Program
    {
        return $this->made['off'] ??= Program::pressEngineOff(Program::FIRM_OFF_N);
    }

    public function handPump(): Program
    {
        return $this->made['hand pump'] ??= Program::handPump();
    }
}
