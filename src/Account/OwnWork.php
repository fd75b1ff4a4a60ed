<?php

declare(strict_types=1);

namespace App\Account;

use App\Input\InvalidInput;

/** What one person read on a tablet that now belongs to another is not signed by the other. */
final readonly class OwnWork
{
    public function __construct(private UserRepository $users)
    {
    }

    /**
     * @param string $by id of who wrote it; '' where the form does not say
     *
     * @throws InvalidInput
     */
    public function check(string $by, User $user): void
    {
        if ('' !== $by && $by !== $user->id()->toRfc4122()) {
            throw InvalidInput::because('input.not-yours', ['who' => $this->users->names()[$by] ?? '?']);
        }
    }
}
