<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Shape;

/** One line of a job's log. The payload's shape follows from the kind, see `docs/formats/job.md`. */
final readonly class Entry
{
    /** @param array<string, mixed> $payload */
    public function __construct(
        public string $id,
        public int $seq,
        public Kind $kind,
        public array $payload,
        public string $author,
        public \DateTimeImmutable $takenAt,
    ) {
    }

    public function shape(): Shape
    {
        return new Shape($this->payload, '/'.$this->kind->value);
    }
}
