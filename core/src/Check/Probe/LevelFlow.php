<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** What comes back into the reservoir of a chamber while the pedal is held: fluid past its cup. */
final readonly class LevelFlow extends Plain
{
    public static function id(): string
    {
        return 'level-flow';
    }

    public static function unit(): string
    {
        return 'mL';
    }

    public static function parameters(): array
    {
        return ['press' => ['light', 'firm', 'off']];
    }

    public function programs(Asked $asked): array
    {
        return [Subject::holdOf($asked->with->word('press'))];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->backIntoReservoirMl($asked->with->word('press'), $asked->place->id);
    }
}
