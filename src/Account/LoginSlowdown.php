<?php

declare(strict_types=1);

namespace App\Account;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** After some wrong passwords for one name from one place the next try waits, longer each time. */
final readonly class LoginSlowdown
{
    private const FREE_TRIES = 5;
    private const LONGEST_S = 300;
    private const FORGOTTEN_AFTER_S = 3600;

    public function __construct(
        private Connection $database,
        private RequestStack $requests,
        private ClockInterface $clock,
    ) {
    }

    /** Before the password is looked at, so that a right guess does not tell itself. */
    #[AsEventListener(priority: 2080)]
    public function before(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        if (!$badge instanceof UserBadge) {
            return;
        }
        $wait = $this->wait($badge->getUserIdentifier());
        if ($wait > 0.0) {
            throw new TooManyLoginAttemptsAuthenticationException((int) ceil($wait / 60.0));
        }
    }

    public function waits(string $who): bool
    {
        return $this->wait($who) > 0.0;
    }

    #[AsEventListener]
    public function failed(LoginFailureEvent $event): void
    {
        $badge = $event->getPassport()?->getBadge(UserBadge::class);
        if (
            !($badge instanceof UserBadge)
            || $event->getException() instanceof TooManyLoginAttemptsAuthenticationException
        ) {
            return;
        }
        $this->note($badge->getUserIdentifier());
    }

    /** One wrong try more. */
    public function note(string $who): void
    {
        $now = $this->clock->now();
        $this->database->executeStatement(
            'INSERT INTO login_slowdown AS l (who, tries, wait_until, last_at) VALUES (:who, 1, :now, :now)
             ON CONFLICT (who) DO UPDATE SET
                 tries = CASE WHEN l.last_at < CAST(:forgotten AS timestamptz) THEN 1 ELSE l.tries + 1 END,
                 wait_until = CAST(:now AS timestamptz) + make_interval(secs => CASE
                      WHEN l.last_at < CAST(:forgotten AS timestamptz)
                      OR l.tries + 1 < :free THEN 0 ELSE least(:longest, power(2, least(l.tries + 2 - :free, 12))) END),
                 last_at = :now',
            [
                'who' => $this->who($who),
                'now' => $now->format(\DATE_ATOM),
                'forgotten' => $now->modify('-'.self::FORGOTTEN_AFTER_S.' seconds')->format(\DATE_ATOM),
                'free' => self::FREE_TRIES,
                'longest' => self::LONGEST_S,
            ],
        );
    }

    #[AsEventListener]
    public function succeeded(LoginSuccessEvent $event): void
    {
        $this->forget($event->getUser()->getUserIdentifier());
    }

    public function forget(string $who): void
    {
        $this->database->executeStatement('DELETE FROM login_slowdown WHERE who = ?', [$this->who($who)]);
    }

    private function wait(string $who): float
    {
        $until = $this->database->fetchOne('SELECT extract(epoch FROM wait_until) FROM login_slowdown WHERE who = ?', [
            $this->who($who),
        ]);

        return is_numeric($until) ? (float) $until - $this->clock->now()->getTimestamp() : 0.0;
    }

    /** Name and place, as a hash: the table tells nobody who tried. */
    private function who(string $login): string
    {
        return hash('sha256', mb_strtolower($login).'|'.($this->requests->getMainRequest()?->getClientIp() ?? ''));
    }
}
