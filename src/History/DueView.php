<?php

declare(strict_types=1);

namespace App\History;

use App\Job\JobEntry;
use App\Job\JobEntryRepository;
use App\Job\JobLineRepository;
use App\Text\Say;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Story;

/** The open items of all vehicles, the first due first. */
final readonly class DueView
{
    private const MOST = 200;
    private const NO_DAY = '9999';

    public function __construct(private JobLineRepository $lines, private JobEntryRepository $entries, private Say $say)
    {
    }

    /** @return list<array{job: string, unit: string, text: string, due: string, safety: bool,
     *     at: \DateTimeImmutable}> */
    public function all(): array
    {
        $items = [];
        foreach ($this->lines->withOpenItems(self::MOST) as $line) {
            $read = array_map(
                static fn (JobEntry $entry): ?Entry => $entry->readable(),
                $this->entries->logOf($line->jobId()),
            );
            foreach (Story::of(array_values(array_filter($read)))->openItems() as $entry) {
                $items[] = [
                    'job' => (string) $line->jobId(),
                    'unit' => $line->unit,
                    'text' => $this->say->item($entry->payload),
                    'due' => $entry->payload->due,
                    'safety' => $entry->payload->safety,
                    'at' => $entry->takenAt,
                ];
            }
        }
        usort($items, static fn (array $a, array $b): int => [!$a['safety'], $a['due'] ?: self::NO_DAY, $a['at']]
            <=> [!$b['safety'], $b['due'] ?: self::NO_DAY, $b['at']]);

        return $items;
    }
}
