<?php

declare(strict_types=1);

namespace App\History;

use App\Job\JobEntryRepository;
use App\Job\JobLine;
use App\Job\JobLineRepository;
use App\Text\Say;
use Symfony\Component\Uid\Uuid;

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
        $lines = $this->lines->withOpenItems(self::MOST);
        $stories = $this->entries->storiesOf(array_map(static fn (JobLine $line): Uuid => $line->jobId(), $lines));
        foreach ($lines as $line) {
            foreach ($stories[$line->jobId()->toRfc4122()]->openItems() as $entry) {
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
