<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** A number read from a simulated vehicle: what is done to it, what is read, in which unit. */
interface Probe
{
    /** The word that the catalogue calls it by. */
    public static function id(): string;

    /** The unit of what it reads, in the core's terms: `N`, `mm`, `kPa`, `1` for a ratio. */
    public static function unit(): string;

    /** @return array<string, array{float, float}|list<string>> parameters it takes: a range, or the words there are */
    public static function parameters(): array;

    /** Whether it is read at a wheel. */
    public static function atAWheel(): bool;

    /** @return list<Program> what it has the vehicle do */
    public function programs(Asked $asked): array;

    public function read(Subject $subject, Asked $asked): float;
}
