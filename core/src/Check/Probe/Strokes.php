<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Assisted strokes that are left so many minutes after the engine was stopped. */
final readonly class Strokes extends Plain
{
    public static function id(): string
    {
        return 'strokes';
    }

    public static function unit(): string
    {
        return '1';
    }

    public static function parameters(): array
    {
        return ['after_min' => [0.0, 1440.0]];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->vacuum()->strokesAfter(60.0 * $asked->with->number('after_min'));
    }
}
