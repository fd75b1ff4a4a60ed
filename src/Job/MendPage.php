<?php

declare(strict_types=1);

namespace App\Job;

use Symfony\Component\Uid\Uuid;

/** What may have been put down wrongly, as it stands. */
final readonly class MendPage
{
    /**
     * @param array<string, mixed> $form
     * @param list<string> $wrong
     * @param list<string> $whys
     * @param list<array{id: Uuid, opened: \DateTimeImmutable, said: string}> $beside other open jobs of its vehicle
     */
    public function __construct(
        public array $form,
        public array $wrong,
        public array $whys,
        public array $beside,
    ) {
    }
}
