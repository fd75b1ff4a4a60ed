<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\JobEntry;
use App\Job\LoadedJob;
use App\Text\Say;
use App\Text\Told;
use Rodrel\Core\Log\Entry;

/**
 * Every line of the log in words, oldest first; what was taken back and what waits for a countersignature is marked.
 */
final readonly class LogView
{
    /** Characters shown of an entry that cannot be read; the export has all of it. */
    private const RAW = 300;

    public function __construct(private Say $say, private Told $told)
    {
    }

    /**
     * @param array<string, string> $names
     * @param int $skip lines left out at the beginning
     *
     * @return list<array<string, mixed>>
     */
    public function of(LoadedJob $loaded, array $names, int $skip = 0): array
    {
        $story = $loaded->state->story;
        $ids = static fn (array $entries): array => array_map(static fn (Entry $entry): string => $entry->id, $entries);
        $undone = $ids($story->undone);
        $lines = [];
        foreach (\array_slice($loaded->log, $skip) as $stored) {
            $entry = $stored->readable();
            if (null === $entry) {
                $lines[] = $this->unreadable($stored, $names);
                continue;
            }
            $lines[] = [
                'id' => $entry->id,
                'at' => $entry->takenAt,
                'who' => $entry->claim->author ?? ($names[$entry->author] ?? ''),
                'by' => null === $entry->claim ? null : $names[$entry->author] ?? '',
                'doubts' => array_map(
                    fn (string $key): string => $this->say->ui('gate.'.$key),
                    $entry->claim->doubts ?? [],
                ),
                'kind' => $this->say->ui('kind.'.$entry->kind->value),
                'said' => $this->told->of($entry->payload),
                'undone' => \in_array($entry->id, $undone, true),
                'asleep' => $story->isAsleep($entry->id),
            ];
        }

        return $lines;
    }

    /**
     * @param array<string, string> $names
     *
     * @return array<string, mixed>
     */
    private function unreadable(JobEntry $stored, array $names): array
    {
        $raw = (string) json_encode($stored->payload(), \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);

        return [
            'id' => $stored->id()->toRfc4122(),
            'at' => $stored->takenAt(),
            'who' => $names[$stored->authorId()->toRfc4122()] ?? '',
            'by' => null,
            'doubts' => [],
            'kind' => $this->say->ui('kind.unreadable'),
            'said' => $stored->kind().' '.mb_strimwidth($raw, 0, self::RAW, '…'),
            'undone' => false,
            'asleep' => false,
        ];
    }
}
