<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Signing in. */
final readonly class SignInPage
{
    public function __construct(
        public ?AuthenticationException $error,
        public string $login,
        public bool $demo,
    ) {
    }
}
