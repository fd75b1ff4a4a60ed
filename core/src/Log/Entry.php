<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Log\Payload\Payload;

/**
 * One line of a job's log.
 *
 * @template-covariant T of Payload = Payload
 */
final readonly class Entry
{
    public Kind $kind;

    /**
     * @param T $payload
     * @param Claim|null $claim what came in from elsewhere with it; null for what was written here
     */
    public function __construct(
        public string $id,
        public int $seq,
        public Payload $payload,
        public string $author,
        public \DateTimeImmutable $takenAt,
        public ?Claim $claim = null,
    ) {
        $this->kind = $payload::kind();
    }

    /** It came from elsewhere and would open a gate: it sleeps until a lead here stands for it. */
    public function wantsCountersigning(): bool
    {
        return null !== $this->claim && $this->kind->opensGates();
    }
}
