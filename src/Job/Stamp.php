<?php

declare(strict_types=1);

namespace App\Job;

use Symfony\Component\Uid\Uuid;

/** Who wrote an entry, when it was taken and recorded, and under which catalogue. */
final readonly class Stamp
{
    public function __construct(
        public Uuid $author,
        public \DateTimeImmutable $takenAt,
        public \DateTimeImmutable $recordedAt,
        public string $catalogueHash,
    ) {
    }
}
