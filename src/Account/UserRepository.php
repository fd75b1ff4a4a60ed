<?php

declare(strict_types=1);

namespace App\Account;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
use Symfony\Component\Uid\Uuid;

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

    /** Who works here, and as what: an admin's, or of whoever runs the shop's own command line. */
    public function save(User $user, ?User $by): void
    {
        $this->getEntityManager()->getConnection()->executeStatement(
            'SELECT person_save(:by, :id, :login, :name, :role, :hash, :pin, :left)',
            ['by' => $by?->id()->toRfc4122(), ...$user->written()],
        );
        $this->again($user);
    }

    /** One's own password and PIN. */
    public function saveSecret(User $user): void
    {
        ['id' => $id, 'hash' => $hash, 'pin' => $pin] = $user->written();
        $this->getEntityManager()->getConnection()->executeStatement('SELECT person_secret(?, ?, ?, ?)', [
            $id,
            $hash,
            $pin,
            $user->pinLength(),
        ]);
        $this->again($user);
    }

    /** Somebody of another shop whose name stands in a job; nobody signs in by it. */
    public function fromElsewhere(Uuid $id, string $name): void
    {
        $this->getEntityManager()->getConnection()->executeStatement('SELECT person_elsewhere(?, ?, ?)', [
            $id->toRfc4122(),
            'from-'.substr($id->toRfc4122(), -12),
            $name,
        ]);
    }

    /** As it stands now, so that no flush writes it over. */
    private function again(User $user): void
    {
        if ($this->getEntityManager()->contains($user)) {
            $this->getEntityManager()->refresh($user);
        }
    }

    /** The settings of a person's own pages. */
    public function add(User $user): void
    {
        $this->getEntityManager()->persist($user);
        $this->getEntityManager()->flush();
    }
}
