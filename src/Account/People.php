<?php

declare(strict_types=1);

namespace App\Account;

use App\Input\InvalidInput;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;

/** Who works in the shop: joining, changing, leaving; passwords and PINs. */
final readonly class People
{
    public const SHORTEST = 8;
    private const LONGEST_NAME = 120;

    public function __construct(
        private UserRepository $users,
        private PasswordHasherFactoryInterface $hashers,
        private ClockInterface $clock,
    ) {
    }

    /**
     * A new person, or another role, name or password for a known one. Somebody who had left is back.
     *
     * @param string $password empty: stays as it is
     * @param User|null $by the admin who does it; null on the command line of whoever runs the shop
     *
     * @throws InvalidInput
     */
    public function put(string $login, string $name, ?Role $role, string $password, ?User $by): User
    {
        $user = $this->users->withLogin($login);
        $name = trim($name);
        if (null === $role || 1 !== preg_match('/^[a-z0-9._-]{2,60}$/', $login) || (null === $user && '' === $name)) {
            throw InvalidInput::because('shop.person-wrong');
        }
        if (mb_strlen($name) > self::LONGEST_NAME) {
            $most = (string) self::LONGEST_NAME;
            throw InvalidInput::because('input.too-long', ['length' => (string) mb_strlen($name), 'most' => $most]);
        }
        if ((null === $user || $user->isRetired()) && '' === $password) {
            throw InvalidInput::because('shop.person-wrong');
        }
        if (null !== $user && Role::Admin !== $role) {
            $this->keepOneAdmin($user);
        }
        $user ??= User::join($login, $name, $role);
        $user->changeRole($role);
        if ('' !== $password) {
            $this->password($user, $password);
        }
        $user->comeBack();
        $this->users->save($user, $by);

        return $user;
    }

    /** @throws InvalidInput */
    public function changeOwnPassword(User $user, string $now, string $next): void
    {
        if (!$this->isPassword($user, $now)) {
            throw InvalidInput::because('me.password-wrong');
        }
        $this->password($user, $next);
        $this->users->saveSecret($user);
    }

    /**
     * Set with the password alone: whoever finds an open tablet cannot make one.
     *
     * @throws InvalidInput
     */
    public function changePin(User $user, string $pin, string $password): void
    {
        if (!$this->isPassword($user, $password)) {
            throw InvalidInput::because('me.password-wrong');
        }
        $wrong = Pin::wrong($pin, $user->role());
        if (null !== $wrong) {
            throw InvalidInput::because($wrong, ['least' => (string) Pin::least($user->role())]);
        }
        $user->changePin($this->hasher()->hash($pin), \strlen($pin));
        $this->users->saveSecret($user);
    }

    /**
     * Five wrong ones in a row close a PIN until its owner sets it anew. A try is counted before it is looked at: of
     * many at once no more than five are.
     */
    public function isPin(User $user, string $pin): bool
    {
        if (!$user->hasPin() || !$this->users->triesPin($user)) {
            return false;
        }
        $right = \strlen($pin) <= 60 && $this->hasher()->verify($user->pinHash(), $pin);
        if ($right) {
            $user->pinWasRight();
            $this->users->add($user);
        }

        return $right;
    }

    /**
     * Leaves the shop: no password, no PIN, every session ends with its next page; the name stays on what was signed.
     *
     * @throws InvalidInput
     */
    public function retire(User $user, User $by): void
    {
        $this->keepOneAdmin($user);
        $user->retire($this->clock->now());
        $this->users->save($user, $by);
    }

    /** @throws InvalidInput when it is the last admin that would be lowered or leave */
    private function keepOneAdmin(User $user): void
    {
        if (Role::Admin !== $user->role() || $user->isRetired()) {
            return;
        }
        foreach ($this->users->findBy(['role' => Role::Admin]) as $other) {
            if ($other !== $user && !$other->isRetired() && '' !== $other->getPassword()) {
                return;
            }
        }
        throw InvalidInput::because('shop.last-admin');
    }

    private function isPassword(User $user, string $password): bool
    {
        return mb_strlen($password) <= LoginSlowdown::LONGEST_PASSWORD
            && $this->hasher()->verify($user->getPassword(), $password);
    }

    /** @throws InvalidInput */
    private function password(User $user, string $password): void
    {
        if (mb_strlen($password) < self::SHORTEST || mb_strlen($password) > LoginSlowdown::LONGEST_PASSWORD) {
            $bounds = ['least' => (string) self::SHORTEST, 'most' => (string) LoginSlowdown::LONGEST_PASSWORD];
            throw InvalidInput::because('me.password-length', $bounds);
        }
        $user->changePassword($this->hasher()->hash($password));
    }

    private function hasher(): PasswordHasherInterface
    {
        return $this->hashers->getPasswordHasher(User::class);
    }
}
