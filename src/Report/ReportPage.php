<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\Job;
use Rodrel\Core\Job\PathTaken;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\HandoverPayload;

/** What a report says, on the screen and on paper. */
final readonly class ReportPage
{
    /**
     * @param list<array<string, mixed>> $findings
     * @param list<string> $repairs
     * @param list<string> $putOff for another day, and why
     * @param list<string> $met on the way
     * @param list<array{step: string, figure: string}> $torques
     * @param list<array{name: string, status: string, reason: string|null}> $criteria
     * @param list<array{text: string, due: string, safety: bool}> $items
     * @param Entry<HandoverPayload>|null $handedOver
     * @param Entry<ClosedPayload>|null $closed without a repair
     * @param array<string, string> $names people by id
     * @param list<array<string, mixed>> $log
     * @param list<array{what: string, said: string, good: bool}> $condition where nobody complains
     * @param int $skipped lines of the log before those
     */
    public function __construct(
        public array $findings,
        public array $repairs,
        public array $putOff,
        public array $met,
        public array $torques,
        public array $criteria,
        public bool $countersign,
        public array $items,
        public ?Entry $handedOver,
        public ?Entry $closed,
        public array $names,
        public array $log,
        public int $skipped,
        public \DateTimeImmutable $opened,
        public Job $job,
        public array $condition,
        public PathTaken $path,
    ) {
    }
}
