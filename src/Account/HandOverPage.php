<?php

declare(strict_types=1);

namespace App\Account;

/** Handing the device to a colleague. */
final readonly class HandOverPage
{
    /**
     * @param list<User> $people
     */
    public function __construct(
        public array $people,
        public ?string $said,
        public bool $wrong,
    ) {
    }
}
