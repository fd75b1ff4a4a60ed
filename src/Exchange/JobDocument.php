<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\UserRepository;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\JobEntryRepository;
use App\Photo\Photos;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Symfony\Component\Uid\Uuid;

/** A whole job as one document, `docs/formats/job-export.schema.json`, with the seal of the shop that wrote it. */
final readonly class JobDocument
{
    public const FORMAT = 1;
    public const TIME = 'Y-m-d\\TH:i:s\\Z';
    private const JSON = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE
        | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR;

    public function __construct(
        private JobEntryRepository $log,
        private UserRepository $users,
        private Photos $photos,
        private ShopSeal $seal,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Job $job): array
    {
        $entries = $people = [];
        $names = $this->users->names();
        foreach ($this->log->logOf($job->id()) as $entry) {
            $claim = $entry->claim();
            $author = $claim->author ?? $entry->authorId()->toRfc4122();
            $people[$author] = $claim->name ?? $names[$author] ?? '';
            if (null !== $claim) {
                $people[$entry->authorId()->toRfc4122()] ??= $names[$entry->authorId()->toRfc4122()] ?? '';
            }
            $entries[] = $this->entry($entry);
        }
        $photos = [];
        foreach ($this->photos->of($job->id()) as $photo) {
            $people[$photo['author']] ??= $photo['name'] ?? $names[$photo['author']] ?? '';
            $photos[] = [
                'id' => $photo['id'],
                'about' => $photo['about'],
                'author' => $photo['author'],
                'taken_at' => $this->time(new \DateTimeImmutable($photo['taken_at'])),
                'width' => $photo['width'],
                'height' => $photo['height'],
                'jpeg' => base64_encode((string) $this->photos->jpeg(Uuid::fromString($photo['id']))),
            ];
        }
        ksort($people);
        $named = static fn (string $id, string $name): array => ['id' => $id, 'name' => $name];
        $document = [
            'format' => self::FORMAT,
            'job' => [
                'id' => $job->id()->toRfc4122(),
                'unit' => $job->unit(),
                'preset' => $job->preset(),
                'parts' => $job->parts(),
                'opened_at' => $this->time($job->openedAt()),
            ],
            'people' => array_map($named, array_map(strval(...), array_keys($people)), array_values($people)),
            'entries' => $entries,
            'photos' => $photos,
        ];

        return $document + ['seal' => $this->seal->of($document)];
    }

    public function json(Job $job): string
    {
        return json_encode($this->of($job), self::JSON)."\n";
    }

    /**
     * Readings as rows: one per answered row of a check.
     *
     * @return list<list<string>> the heading first
     */
    public function readings(Job $job): array
    {
        $rows = [[
            'seq', 'epoch', 'taken_at', 'check', 'place', 'row', 'word', 'typed', 'unit', 'core', 'unsure', 'author',
        ]];
        $names = $this->users->names();
        foreach ($this->log->logOf($job->id()) as $entry) {
            $reading = $entry->readable()?->payload;
            if (!$reading instanceof ReadingPayload) {
                continue;
            }
            $head = [
                (string) $entry->seq(),
                (string) $entry->epoch(),
                $this->time($entry->takenAt()),
                $reading->check->id,
                $reading->check->place->id,
            ];
            $tail = [
                $reading->unsure ? 'yes' : 'no',
                $entry->claim()->name ?? $names[$entry->authorId()->toRfc4122()] ?? '',
            ];
            foreach ($reading->outcomes as $row => $word) {
                $rows[] = [...$head, $row, $word, '', '', '', ...$tail];
            }
            foreach ($reading->numbers as $row => $number) {
                $figure = $number->figure;
                $rows[] = [...$head, $row, '', $figure->typed, $figure->unit, (string) $figure->core, ...$tail];
            }
        }

        return $rows;
    }

    /**
     * What came in from elsewhere goes out as it came, with who brought it, so that it stays a claim wherever it is
     * restored.
     *
     * @return array<string, mixed>
     */
    private function entry(JobEntry $entry): array
    {
        $claim = $entry->claim();

        return [
            'id' => $entry->id()->toRfc4122(),
            'seq' => $entry->seq(),
            'epoch' => $claim->epoch ?? $entry->epoch(),
            'kind' => $entry->kind(),
            'payload' => $entry->payload(),
            'author' => $claim->author ?? $entry->authorId()->toRfc4122(),
            'taken_at' => $claim->takenAt ?? $this->time($entry->takenAt()),
            'recorded_at' => $claim->recordedAt ?? $this->time($entry->recordedAt()),
            'catalogue' => $claim->catalogue ?? $entry->catalogueHash(),
        ] + (null === $claim ? [] : ['brought' => [
            'by' => $entry->authorId()->toRfc4122(),
            'taken_at' => $this->time($entry->takenAt()),
            'recorded_at' => $this->time($entry->recordedAt()),
            'epoch' => $entry->epoch(),
            'catalogue' => $entry->catalogueHash(),
            'doubts' => $claim->doubts,
        ]]);
    }

    private function time(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format(self::TIME);
    }
}
