<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/**
 * How far the pedal goes on down in a steady hold: from one second after the press to so many seconds, or when held
 * again at once.
 */
final readonly class Sink extends Plain
{
    public static function id(): string
    {
        return 'sink';
    }

    public static function unit(): string
    {
        return 'mm';
    }

    public static function parameters(): array
    {
        return ['press' => ['light', 'firm', 'off', 'off-light'], 'at' => ['5', '15', 'end', 'again']];
    }

    public function programs(Asked $asked): array
    {
        return [Subject::holdOf($asked->with->word('press'))];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->sinkMm($asked->with->word('press'), $asked->with->word('at'));
    }
}
