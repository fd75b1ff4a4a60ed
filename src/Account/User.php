<?php

declare(strict_types=1);

namespace App\Account;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

/** Somebody of the shop. */
#[ORM\Entity(repositoryClass: UserRepository::class)]
#[ORM\Table(name: 'person')]
class User implements UserInterface, PasswordAuthenticatedUserInterface
{
    /** What pages, texts, speech and reports are written in; the first is the shop's own. */
    #[ORM\Id]
    #[ORM\Column(type: 'uuid')]
    private Uuid $id;

    #[ORM\Column(length: 60, unique: true)]
    private string $login;

    #[ORM\Column(length: 120)]
    private string $name;

    #[ORM\Column(length: 20, enumType: Role::class)]
    private Role $role;

    #[ORM\Column(length: 255)]
    private string $passwordHash = '';

    #[ORM\Column(options: ['default' => true])]
    private bool $shortcuts = true;

    #[ORM\Column(options: ['default' => false])]
    private bool $dark = false;

    #[ORM\Column(options: ['default' => false])]
    private bool $imperial = false;

    #[ORM\Column(length: 5, options: ['default' => Languages::FIRST])]
    private string $language = Languages::FIRST;

    /** For handing a tablet over by name; empty where none was set. */
    #[ORM\Column(length: 255, options: ['default' => ''])]
    private string $pinHash = '';

    /** Digits of the PIN: six at least for who may decide for the shop. */
    #[ORM\Column(options: ['default' => 0])]
    private int $pinLength = 0;

    /** Wrong PINs in a row; five close it. */
    #[ORM\Column(options: ['default' => 0])]
    private int $pinWrong = 0;

    #[ORM\Column(type: 'datetimetz_immutable', nullable: true)]
    private ?\DateTimeImmutable $retiredAt = null;

    private function __construct(Uuid $id, string $login, string $name, Role $role)
    {
        $this->id = $id;
        $this->login = $login;
        $this->name = $name;
        $this->role = $role;
    }

    public static function join(string $login, string $name, Role $role): self
    {
        return new self(Uuid::v7(), $login, $name, $role);
    }

    /** Somebody of another shop whose name stands in a job that was brought in; without a password nobody signs in. */
    public static function elsewhere(Uuid $id, string $login, string $name, Role $role): self
    {
        return new self($id, $login, $name, $role);
    }

    public function changePassword(string $hash): void
    {
        $this->passwordHash = $hash;
    }

    public function changePin(string $hash, int $length): void
    {
        $this->pinHash = $hash;
        $this->pinLength = $length;
        $this->pinWrong = 0;
    }

    /** One that opens: set, long enough for the role of today, and not closed by wrong tries. */
    public function hasPin(): bool
    {
        return '' !== $this->pinHash && !$this->pinIsClosed() && $this->pinLength >= Pin::least($this->role);
    }

    public function pinIsClosed(): bool
    {
        return $this->pinWrong >= Pin::WRONG_CLOSES;
    }

    public function pinLength(): int
    {
        return $this->pinLength;
    }

    /** @return array<string, string|null> as the table has it */
    public function written(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'login' => $this->login,
            'name' => $this->name,
            'role' => $this->role->value,
            'hash' => $this->passwordHash,
            'pin' => $this->pinHash,
            'left' => $this->retiredAt?->format(\DATE_ATOM),
        ];
    }

    public function pinWasRight(): void
    {
        $this->pinWrong = 0;
    }

    public function retire(\DateTimeImmutable $at): void
    {
        $this->retiredAt = $at;
        $this->passwordHash = $this->pinHash = '';
    }

    public function comeBack(): void
    {
        $this->retiredAt = null;
    }

    public function isRetired(): bool
    {
        return null !== $this->retiredAt;
    }

    public function pinHash(): string
    {
        return $this->pinHash;
    }

    public function changeRole(Role $role): void
    {
        $this->role = $role;
    }

    public function switchUnits(): void
    {
        $this->imperial = !$this->imperial;
    }

    public function thinksImperial(): bool
    {
        return $this->imperial;
    }

    public function switchTheme(): void
    {
        $this->dark = !$this->dark;
    }

    public function worksInTheDark(): bool
    {
        return $this->dark;
    }

    public function switchShortcuts(): void
    {
        $this->shortcuts = !$this->shortcuts;
    }

    public function usesShortcuts(): bool
    {
        return $this->shortcuts;
    }

    public function id(): Uuid
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function role(): Role
    {
        return $this->role;
    }

    public function getUserIdentifier(): string
    {
        return '' !== $this->login ? $this->login : throw new \LogicException('A person has a login.');
    }

    /** @return list<string> */
    public function getRoles(): array
    {
        return ['ROLE_'.strtoupper($this->role->value)];
    }

    public function getPassword(): string
    {
        return $this->passwordHash;
    }

    #[\Deprecated]
    public function eraseCredentials(): void
    {
    }

    public function language(): string
    {
        return $this->language;
    }

    public function speak(string $language): void
    {
        $this->language = $language;
    }
}
