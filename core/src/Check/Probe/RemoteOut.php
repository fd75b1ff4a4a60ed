<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;

/** Pressure behind a remote booster with 2000 kPa before it, with vacuum or without. */
final readonly class RemoteOut extends Plain
{
    public static function id(): string
    {
        return 'remote-out';
    }

    public static function unit(): string
    {
        return 'kPa';
    }

    public static function parameters(): array
    {
        return ['vacuum' => ['with', 'without']];
    }

    public function read(Subject $subject, Asked $asked): float
    {
        return $subject->remoteOutKpa('with' === $asked->with->word('vacuum'));
    }
}
