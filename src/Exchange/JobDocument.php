<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\Role;
use App\Account\User;
use App\Account\UserRepository;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\JobEntryRepository;
use App\Job\ProjectJobLine;
use App\Job\ReadJob;
use App\Photo\Photos;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Shape;
use Symfony\Component\Uid\Uuid;

/** A whole job as one document, `docs/formats/job-export.schema.json`: out and in again without a difference. */
final readonly class JobDocument
{
    public const FORMAT = 1;
    private const TIME = 'Y-m-d\\TH:i:s\\Z';

    public function __construct(
        private EntityManagerInterface $entities,
        private JobEntryRepository $log,
        private UserRepository $users,
        private Photos $photos,
        private ReadJob $readJob,
        private ProjectJobLine $project,
        private Catalogue $catalogue,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Job $job): array
    {
        $entries = $authors = [];
        foreach ($this->log->logOf($job->id()) as $entry) {
            $core = $entry->toCore();
            $authors[$core->author] = true;
            $entries[] = ['id' => $core->id, 'seq' => $core->seq, 'epoch' => $entry->epoch(), 'kind' => $core->kind->value, 'payload' => $core->payload, 'author' => $core->author, 'taken_at' => $this->time($core->takenAt), 'recorded_at' => $this->time($entry->recordedAt()), 'catalogue' => $entry->catalogueHash()];
        }
        $photos = [];
        foreach ($this->photos->of($job->id()) as $photo) {
            $authors[$photo['author']] = true;
            $photos[] = ['id' => $photo['id'], 'about' => $photo['about'], 'author' => $photo['author'], 'taken_at' => $this->time(new \DateTimeImmutable($photo['taken_at'])), 'width' => $photo['width'], 'height' => $photo['height'], 'jpeg' => base64_encode((string) $this->photos->jpeg(Uuid::fromString($photo['id'])))];
        }
        $people = array_intersect_key($this->users->names(), $authors);
        ksort($people);

        return [
            'format' => self::FORMAT,
            'job' => ['id' => $job->id()->toRfc4122(), 'unit' => $job->unit(), 'preset' => $job->preset(), 'parts' => $job->parts(), 'opened_at' => $this->time($job->openedAt())],
            'people' => array_map(static fn (string $id, string $name): array => ['id' => $id, 'name' => $name], array_keys($people), array_values($people)),
            'entries' => $entries,
            'photos' => $photos,
        ];
    }

    public function json(Job $job): string
    {
        return json_encode($this->of($job), \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR)."\n";
    }

    /**
     * Readings as rows: one per answered row of a check.
     *
     * @return list<list<string>> the heading first
     */
    public function readings(Job $job): array
    {
        $rows = [['seq', 'epoch', 'taken_at', 'check', 'place', 'row', 'word', 'typed', 'unit', 'core', 'unsure', 'author']];
        $names = $this->users->names();
        foreach ($this->log->logOf($job->id()) as $entry) {
            $core = $entry->toCore();
            if (Kind::Reading !== $core->kind) {
                continue;
            }
            [$check, $place] = explode('@', $core->shape()->text('check'));
            $line = fn (string $row, string $word, string $typed, string $unit, string $value): array => [(string) $core->seq, (string) $entry->epoch(), $this->time($core->takenAt), $check, $place, $row, $word, $typed, $unit, $value, $core->shape()->flag('unsure') ? 'yes' : 'no', $names[$core->author] ?? ''];
            foreach ($core->shape()->raw('outcomes') as $row => $word) {
                $rows[] = $line((string) $row, \is_string($word) ? $word : '', '', '', '');
            }
            foreach ($core->shape()->each('numbers') as $row => $number) {
                $rows[] = $line($row, '', $number->text('typed'), $number->text('unit'), (string) $number->number('core'));
            }
        }

        return $rows;
    }

    /**
     * Brings a job in. The same document again changes nothing.
     *
     * @param array<string, mixed> $document checked against its schema
     *
     * @throws InvalidData with the place of what is wrong; then nothing is changed
     */
    public function bringIn(array $document): Job
    {
        $shape = new Shape($document);
        $head = $shape->in('job');
        $id = $this->uuid($head, 'id');
        $this->catalogue->vehicle($head->text('preset'), $head->raw('parts'));

        return $this->entities->wrapInTransaction(function () use ($shape, $head, $id, $document): Job {
            $known = $this->entities->find(Job::class, $id);
            if (null !== $known) {
                return $this->of($known) == $document ? $known : throw InvalidData::at('/job/id', 'this job is here already, with other entries');
            }
            $job = Job::open($id, $head->text('unit'), $head->text('preset'), $this->moment($head, 'opened_at'), $this->keyed($head->raw('parts')));
            $this->entities->persist($job);
            foreach ($shape->each('people') as $person) {
                $this->person($person);
            }
            $last = 0;
            foreach ($shape->each('entries') as $entry) {
                $seq = (int) $entry->number('seq');
                $last = $seq === $last + 1 ? $seq : throw $entry->wrong('seq', 'entries count up from 1 without a gap');
                $kind = Kind::tryFrom($entry->text('kind')) ?? throw $entry->wrong('kind', 'unknown kind of entry');
                $author = $this->uuid($entry, 'author');
                if (null === $this->users->find($author)) {
                    throw $entry->wrong('author', 'nobody of that id is among the people');
                }
                $this->entities->persist(new JobEntry($this->uuid($entry, 'id'), $id, $seq, (int) $entry->number('epoch'), $kind, $this->keyed($entry->raw('payload')), $author, $this->moment($entry, 'taken_at'), $this->moment($entry, 'recorded_at'), $entry->text('catalogue')));
            }
            $this->entities->flush();
            foreach ($shape->each('photos') as $photo) {
                $jpeg = base64_decode($photo->text('jpeg'), true);
                if (false === $jpeg || !str_starts_with($jpeg, "\xFF\xD8\xFF")) {
                    throw $photo->wrong('jpeg', 'a JPEG picture in base64 is expected');
                }
                $this->photos->keep($this->uuid($photo, 'id'), $id, $photo->text('about'), $this->uuid($photo, 'author'), $this->moment($photo, 'taken_at'), ['jpeg' => $jpeg, 'width' => (int) $photo->number('width'), 'height' => (int) $photo->number('height')]);
            }
            ($this->project)(($this->readJob)($job));

            return $job;
        });
    }

    /** People of another shop keep their names; they cannot sign in here until somebody gives them a password. */
    private function person(Shape $person): void
    {
        $id = $this->uuid($person, 'id');
        if (null === $this->users->find($id)) {
            $this->entities->persist(User::elsewhere($id, 'from-'.substr($id->toRfc4122(), -12), $person->text('name'), Role::Technician));
        }
    }

    private function time(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format(self::TIME);
    }

    private function moment(Shape $shape, string $key): \DateTimeImmutable
    {
        $at = \DateTimeImmutable::createFromFormat('!'.self::TIME, $shape->text($key), new \DateTimeZone('UTC'));

        return false !== $at ? $at : throw $shape->wrong($key, 'a time like 2026-03-01T08:00:00Z is expected');
    }

    private function uuid(Shape $shape, string $key): Uuid
    {
        $text = $shape->text($key);

        return Uuid::isValid($text) ? Uuid::fromString($text) : throw $shape->wrong($key, 'a UUID is expected');
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @return array<string, mixed>
     */
    private function keyed(array $data): array
    {
        return array_combine(array_map(strval(...), array_keys($data)), array_values($data));
    }
}
