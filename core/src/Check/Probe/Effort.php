<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Programs;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Program;

/** Effort at the tread by hand above the layout's own, so many seconds after letting go. */
final readonly class Effort implements Probe
{
    public static function id(): string
    {
        return 'effort';
    }

    public static function unit(): string
    {
        return 'N';
    }

    public static function parameters(): array
    {
        return ['after_s' => [4.0, 17.0]];
    }

    public static function atAWheel(): bool
    {
        return true;
    }

    public function programs(Asked $asked): array
    {
        return [$this->program(new Programs(), $asked)];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        $program = $this->program($subject->instruments->programs, $asked);
        $sample = self::isLate($asked) ? Program::AFTER_17_S : Program::AFTER_4_S;

        return $subject->instruments->effortN(
            $subject->run($program),
            $subject->sound()->run($program),
            $asked->corner(),
            $sample,
        );
    }

    private function program(Programs $programs, Asked $asked): Program
    {
        return self::isLate($asked)
            ? $programs->press($asked->footN, $asked->holdS)
            : $programs->pressFor($asked->footN, $asked->holdS);
    }

    private static function isLate(Asked $asked): bool
    {
        return $asked->with->number('after_s') > 10.0;
    }
}
