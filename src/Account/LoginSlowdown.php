<?php

declare(strict_types=1);

namespace App\Account;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/**
 * After some wrong passwords the next try waits, longer each time: counted for a name from one place, for a name from
 * anywhere, for a place, and for the whole shop. A try is counted before the password is looked at, by one statement
 * for each, so that many at once are counted one after the other; a right one takes its own count back.
 */
final readonly class LoginSlowdown
{
    /** Tries before the first wait, and the longest wait in s, by what is counted. */
    private const COUNTED = ['both' => [5, 300], 'name' => [20, 60], 'place' => [40, 300], 'shop' => [400, 15]];
    private const FORGOTTEN_AFTER_S = 3600;
    /** Longer than any password: hashing it would only cost time. */
    public const LONGEST_PASSWORD = 200;

    public function __construct(
        private Connection $database,
        private RequestStack $requests,
        private ClockInterface $clock,
        private PasswordHasherFactoryInterface $hashers,
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
        $wait = $this->attempt($badge->getUserIdentifier());
        if ($wait > 0.0) {
            throw new TooManyLoginAttemptsAuthenticationException((int) ceil($wait / 60.0));
        }
        // an unknown name, or one without a password, takes as long as a known one
        try {
            $user = $badge->getUser();
            $hash = $user instanceof User ? $user->getPassword() : '';
        } catch (UserNotFoundException) {
            $hash = '';
        }
        $credentials = $event->getPassport()->getBadge(PasswordCredentials::class);
        if ('' === $hash && $credentials instanceof PasswordCredentials) {
            $this->hashers->getPasswordHasher(User::class)->hash('as long as a wrong one');
        }
    }

    /**
     * Counts one try and says how long it must wait, s; 0 where it may go on.
     *
     * @param string $who a name; what is tried beside passwords has a word before it
     */
    public function attempt(string $who): float
    {
        $longest = 0.0;
        foreach (self::COUNTED as $what => [$free, $most]) {
            $longest = max($longest, $this->count($this->key($what, $who), $free, $most));
        }

        return $longest;
    }

    #[AsEventListener]
    public function succeeded(LoginSuccessEvent $event): void
    {
        $this->forget($event->getUser()->getUserIdentifier());
        $event->getRequest()->getSession()->remove(HandOverController::BY_PIN);
    }

    /** It was right: the name is free again, and the place and the shop have one wrong try less. */
    public function forget(string $who): void
    {
        $this->database->executeStatement('DELETE FROM login_slowdown WHERE who IN (?, ?)', [
            $this->key('both', $who),
            $this->key('name', $who),
        ]);
        $this->database->executeStatement(
            'UPDATE login_slowdown SET tries = greatest(0, tries - 1) WHERE who IN (?, ?)',
            [$this->key('place', $who), $this->key('shop', $who)],
        );
    }

    /** The row is locked while it is counted: of two at once the second sees the first. A try that waits counts not. */
    private function count(string $key, int $free, int $most): float
    {
        $now = $this->clock->now();
        $counted = $this->database->fetchOne(
            'INSERT INTO login_slowdown AS l (who, tries, wait_until, last_at) VALUES (:who, 1, :now, :now)
             ON CONFLICT (who) DO UPDATE SET
                 tries = CASE WHEN l.last_at < CAST(:forgotten AS timestamptz) THEN 1 ELSE l.tries + 1 END,
                 wait_until = CAST(:now AS timestamptz) + make_interval(secs => CASE
                      WHEN l.last_at < CAST(:forgotten AS timestamptz)
                      OR l.tries + 1 < :free THEN 0 ELSE least(:most, power(2, least(l.tries + 2 - :free, 12))) END),
                 last_at = :now
             WHERE l.wait_until <= CAST(:now AS timestamptz)
             RETURNING tries',
            [
                'who' => $key,
                'now' => $now->format(\DATE_ATOM),
                'forgotten' => $now->modify('-'.self::FORGOTTEN_AFTER_S.' seconds')->format(\DATE_ATOM),
                'free' => $free,
                'most' => $most,
            ],
        );
        if (false !== $counted) {
            return 0.0;
        }
        $until = $this->database->fetchOne('SELECT extract(epoch FROM wait_until) FROM login_slowdown WHERE who = ?', [
            $key,
        ]);

        return is_numeric($until) ? max(0.1, (float) $until - $now->getTimestamp()) : 0.0;
    }

    /** As a hash: the table tells nobody who tried. */
    private function key(string $what, string $who): string
    {
        $name = mb_strtolower(mb_scrub($who));
        $place = $this->requests->getMainRequest()?->getClientIp() ?? '';

        return hash('sha256', match ($what) {
            'both' => $name.'|'.$place,
            'name' => 'name|'.$name,
            'place' => 'place|'.$place,
            default => 'shop',
        });
    }
}
