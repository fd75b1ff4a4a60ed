<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** A session ends twelve hours after its sign-in, however busy it was: a shift, and nobody else's next one. */
final readonly class SessionAge
{
    public const LONGEST_S = 43_200;
    private const SINCE = 'signed_in_at';

    public function __construct(private ClockInterface $clock)
    {
    }

    #[AsEventListener]
    public function begins(LoginSuccessEvent $event): void
    {
        $event->getRequest()->getSession()->set(self::SINCE, $this->clock->now()->getTimestamp());
    }

    /** Before the firewall reads who is signed in. */
    #[AsEventListener(priority: 10)]
    public function onRequest(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if ($event->isMainRequest() && $request->hasPreviousSession()) {
            $this->end($request);
        }
    }

    private function end(Request $request): void
    {
        $session = $request->getSession();
        $now = $this->clock->now()->getTimestamp();
        $since = $session->get(self::SINCE);
        if (!\is_int($since)) {
            $session->set(self::SINCE, $now);
        } elseif ($now - $since > self::LONGEST_S) {
            $session->invalidate();
        }
    }
}
