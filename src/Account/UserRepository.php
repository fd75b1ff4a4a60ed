<?php

declare(strict_types=1);

namespace App\Account;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;

/** @extends ServiceEntityRepository<User> */
final class UserRepository extends ServiceEntityRepository
{
    public function __construct(ManagerRegistry $registry)
    {
        parent::__construct($registry, User::class);
    }

    public function withLogin(string $login): ?User
    {
        return $this->findOneBy(['login' => $login]);
    }

    /** @return array<string, string> name by id */
    public function names(): array
    {
        $names = [];
        foreach ($this->findAll() as $user) {
            $names[$user->id()->toRfc4122()] = $user->name();
        }

        return $names;
    }

    /** Counts one try of a PIN, and says whether it may be looked at: counted and asked in one statement. */
    public function triesPin(User $user): bool
    {
        $counted = $this->getEntityManager()->getConnection()->executeStatement(
            'UPDATE person SET pin_wrong = pin_wrong + 1 WHERE id = ? AND pin_wrong < ?',
            [$user->id()->toRfc4122(), Pin::WRONG_CLOSES],
        );
        $this->getEntityManager()->refresh($user);

        return 1 === $counted;
    }

    public function add(User $user): void
    {
        $this->getEntityManager()->persist($user);
        $this->getEntityManager()->flush();
    }
}
