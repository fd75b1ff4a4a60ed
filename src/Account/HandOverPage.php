<?php

declare(strict_types=1);

namespace App\Account;

/** Handing the device to a colleague. */
final readonly class HandOverPage
{
    /**
     * @param list<User> $people
     * @param array<string, string> $parameters of the sentence
     */
    public function __construct(
        public array $people,
        public ?string $said,
        public array $parameters,
        public bool $wrong,
    ) {
    }
}
