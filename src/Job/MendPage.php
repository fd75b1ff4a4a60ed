<?php

declare(strict_types=1);

namespace App\Job;

/** What may have been put down wrongly, as it stands. */
final readonly class MendPage
{
    /**
     * @param array<string, mixed> $form
     * @param list<string> $wrong
     * @param list<string> $whys
     */
    public function __construct(public array $form, public array $wrong, public array $whys)
    {
    }
}
