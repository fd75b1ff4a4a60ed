<?php

declare(strict_types=1);

namespace App\Prediction;

use Symfony\Component\Console\ConsoleEvents;
use Symfony\Component\Console\Event\ConsoleCommandEvent;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/**
 * Our own commands compute with compiled code, which a signal's handler in the middle of it would change
 * (`docs/decisions/0006-just-in-time.md`): they take none in. Ending one ends it, as always. The worker needs its
 * handlers to stop between two messages; what it computes is guarded task by task, see SideBySide.
 */
#[AsEventListener(ConsoleEvents::COMMAND)]
final class SignalsWait
{
    private const OURS = 'rodrel:';

    public function __invoke(ConsoleCommandEvent $event): void
    {
        $ours = str_starts_with((string) $event->getCommand()?->getName(), self::OURS);
        if ($ours && \function_exists('pcntl_async_signals')) {
            pcntl_async_signals(false);
        }
    }
}
