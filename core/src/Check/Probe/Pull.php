<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Pull index of a moderate stop, positive to the left. */
final readonly class Pull extends Plain
{
    public static function id(): string
    {
        return 'pull';
    }

    public static function unit(): string
    {
        return '1';
    }

    public static function parameters(): array
    {
        return ['moment' => ['first', 'whole']];
    }

    public function programs(Asked $asked): array
    {
        return [Program::stop()];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        $first = 'first' === $asked->with->word('moment');
        $brakes = $subject->instruments->pullIndex(
            $subject->stopped(),
            $first ? Program::FIRST_INSTANT : Program::WHOLE_STOP,
        );

        return $brakes + $subject->effect('chassis', null, $first ? 'pull_first' : 'pull_whole', 0.0);
    }
}
