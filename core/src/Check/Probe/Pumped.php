<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pedal travel of a later quick stroke over the first one; stroke 4 comes five seconds after the third. */
final readonly class Pumped extends Plain
{
    public static function id(): string
    {
        return 'pumped';
    }

    public static function unit(): string
    {
        return '1';
    }

    public static function parameters(): array
    {
        return ['stroke' => [2.0, 4.0]];
    }

    public function programs(Asked $asked): array
    {
        return [Program::pump()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->pumped((int) $asked->with->number('stroke') - 1);
    }
}
