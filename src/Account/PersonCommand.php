<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Adds somebody to the shop, or gives them a new password. */
#[AsCommand('rodrel:person', 'Adds a person (technician, lead or admin), or sets a new password')]
final readonly class PersonCommand
{
    private const SHORTEST = 8;

    public function __construct(private UserRepository $users, private UserPasswordHasherInterface $hasher)
    {
    }

    public function __invoke(
        SymfonyStyle $io,
        #[Argument] string $login,
        #[Argument] string $name,
        #[Argument] string $role,
    ): int {
        $chosen = Role::tryFrom($role);
        if (null === $chosen || 1 !== preg_match('/^[a-z0-9._-]{2,60}$/', $login)) {
            $io->error('The login is 2 to 60 small letters or digits; the role is technician, lead or admin.');

            return 2;
        }
        $password = $io->askHidden('Password (at least '.self::SHORTEST.' characters)');
        if (!\is_string($password) || mb_strlen($password) < self::SHORTEST) {
            $io->error('The password is too short; nothing was changed.');

            return 2;
        }
        $user = $this->users->withLogin($login) ?? User::join($login, $name, $chosen);
        $user->changePassword($this->hasher->hashPassword($user, $password));
        $this->users->add($user);
        $io->success($name.' may sign in as '.$login.'.');

        return 0;
    }
}
