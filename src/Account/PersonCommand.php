<?php

declare(strict_types=1);

namespace App\Account;

use App\Input\InvalidInput;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Adds somebody to the shop, or gives them a new password. */
#[AsCommand('rodrel:person', 'Adds a person (technician, lead or admin), or sets a new password')]
final readonly class PersonCommand
{
    public function __construct(private People $people, private TranslatorInterface $translator)
    {
    }

    public function __invoke(
        SymfonyStyle $io,
        #[Argument] string $login,
        #[Argument] string $name,
        #[Argument] string $role,
    ): int {
        $password = $io->askHidden('Password (at least '.People::SHORTEST.' characters)');
        try {
            $this->people->put($login, $name, Role::tryFrom($role), \is_string($password) ? $password : '', null);
        } catch (InvalidInput $wrong) {
            $io->error($this->translator->trans($wrong->key, $wrong->parameters));

            return 2;
        }
        $io->success($name.' may sign in as '.$login.'.');

        return 0;
    }
}
