<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\User;
use App\Account\UserRepository;
use App\Input\InvalidInput;
use App\Input\SameContent;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\LogPlace;
use App\Job\Stamp;
use App\Job\StoredClaim;
use App\Vehicle\VehicleKind;
use App\Vehicle\VehicleRepository;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\CoreException;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Claim;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\FiguresPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Shape;
use Symfony\Component\Uid\Uuid;

/**
 * Brings a job in. A file with this shop's own seal is restored as it was. Every other file comes through the one door:
 * each entry becomes an entry of whoever brings it in, with what it said of itself beside it as a claim, and with the
 * doubts of our own rules; what would open a gate sleeps until a lead here countersigns it.
 */
final readonly class BringIn
{
    private const LONGEST_TEXT = 4000;
    /** In base64: more than any picture that a darkroom of ours has developed. */
    private const LONGEST_PICTURE = 12_000_000;
    /** Of all pictures from elsewhere together: some fifty as Rodrel keeps them, a few seconds of developing. */
    private const MOST_PIXELS = 100_000_000;
    /** What the clocks of two devices may differ by. */
    private const CLOCKS_DIFFER_S = 300;

    public function __construct(
        private EntityManagerInterface $entities,
        private JobDocument $document,
        private ShopSeal $seal,
        private UserRepository $users,
        private VehicleRepository $vehicles,
        private Album $album,
        private Journal $journal,
    ) {
    }

    /**
     * The same document again changes nothing.
     *
     * @param array<string, mixed> $document checked against its schema
     *
     * @throws InvalidData with the place of what is wrong; then nothing is changed
     */
    public function __invoke(array $document, User $by): Job
    {
        $shape = new Shape($document);
        $this->sizes($document);
        $head = $shape->in('job');
        $id = $this->uuid($head, 'id');
        $this->journal->catalogue->vehicle($head->text('preset'), $head->raw('parts'));
        $ours = $this->seal->isOurs($document);

        return $this->entities->wrapInTransaction(function () use ($shape, $head, $id, $document, $by, $ours): Job {
            $known = $this->entities->find(Job::class, $id);
            if (null !== $known) {
                return $this->isSame($known, $document)
                    ? $known
                    : throw InvalidData::at('/job/id', 'this job is here already, with other entries');
            }
            $openedAt = $this->moment($head, 'opened_at');
            $kind = new VehicleKind($head->text('unit'), $head->text('preset'), $this->keyed($head->raw('parts')));
            $job = Job::open($id, $this->vehicles->of($kind, $openedAt), $openedAt);
            $this->entities->persist($job);
            $names = $this->names($shape);
            $log = $ours ? $this->restored($job, $shape, $names) : $this->claimed($job, $shape, $names, $by);
            $this->entities->flush();
            $this->pictures($job, $shape, $names, $ours ? null : $by);
            $this->journal->projector->wants($this->journal->readJob->from($job, $log));

            return $job;
        });
    }

    /** @param array<string, mixed> $document */
    private function isSame(Job $job, array $document): bool
    {
        $mine = $this->document->of($job);
        unset($mine['seal'], $document['seal']);

        return SameContent::is($this->asSent($mine), $this->asSent($document));
    }

    /**
     * What somebody sent: a picture from elsewhere is developed anew, so that its bytes differ; who brought an entry
     * in, and so is among the people, is this shop's word.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private function asSent(array $document): array
    {
        $authors = [];
        foreach (['entries', 'photos'] as $list) {
            foreach (\is_array($document[$list] ?? null) ? $document[$list] : [] as $n => $one) {
                if (\is_array($one)) {
                    $authors[] = $one['author'] ?? null;
                    $document[$list][$n] = array_diff_key($one, ['brought' => 1]);
                }
            }
        }
        $document['people'] = array_values(array_filter(
            \is_array($document['people'] ?? null) ? $document['people'] : [],
            static fn (mixed $one): bool => \is_array($one) && \in_array($one['id'] ?? null, $authors, true),
        ));
        foreach (\is_array($document['photos'] ?? null) ? $document['photos'] : [] as $n => $photo) {
            if (\is_array($photo)) {
                $document['photos'][$n] = array_diff_key($photo, ['jpeg' => 1, 'width' => 1, 'height' => 1]);
            }
        }

        return $document;
    }

    /**
     * Too long texts and characters that cannot be kept are said before anything is read.
     *
     * @param array<string, mixed> $document
     *
     * @throws InvalidData
     */
    private function sizes(array $document): void
    {
        $look = static function (mixed $value, string $path) use (&$look): void {
            foreach (\is_array($value) ? $value : [] as $key => $inner) {
                $look($inner, $path.'/'.$key);
            }
            if (\is_string($value) && str_contains($path.$value, "\0")) {
                throw InvalidData::at(str_replace("\0", '', $path), 'it holds a character that cannot be kept');
            }
            $most = str_ends_with($path, '/jpeg') ? self::LONGEST_PICTURE : self::LONGEST_TEXT;
            if (\is_string($value) && \strlen($value) > $most) {
                throw InvalidData::at($path, \sprintf('at most %d characters are kept', $most));
            }
        };
        $look($document, '');
    }

    /**
     * Our own backup: every entry as it was.
     *
     * @param array<string, string> $names
     *
     * @return list<JobEntry>
     */
    private function restored(Job $job, Shape $shape, array $names): array
    {
        $entries = $this->entries($shape, $names);
        $own = array_map(
            fn (array $one): string => $this->stamped($one[0])->text($one[0]->has('brought') ? 'by' : 'author'),
            $entries,
        );
        foreach (array_intersect_key($names, array_flip($own)) as $id => $name) {
            if (null === $this->users->find(Uuid::fromString($id))) {
                $this->users->fromElsewhere(Uuid::fromString($id), $name);
            }
        }
        $log = [];
        foreach ($entries as [$entry, $payload, $seq]) {
            $stamped = $this->stamped($entry);
            $log[] = $stored = JobEntry::broughtIn(
                $this->uuid($entry, 'id'),
                new LogPlace($job->id(), $seq, (int) $stamped->number('epoch')),
                $payload::kind(),
                $this->keyed($entry->raw('payload')),
                new Stamp(
                    $this->uuid($stamped, $entry->has('brought') ? 'by' : 'author'),
                    $this->moment($stamped, 'taken_at'),
                    $this->moment($stamped, 'recorded_at'),
                    $stamped->text('catalogue'),
                ),
                $entry->has('brought') ? $this->claim($entry, $names, $stamped->texts('doubts')) : null,
            );
            $this->entities->persist($stored);
        }

        return $log;
    }

    /**
     * Somebody else's: each entry meets the rules here, and is never refused for them.
     *
     * @param array<string, string> $names
     *
     * @return list<JobEntry>
     */
    private function claimed(Job $job, Shape $shape, array $names, User $by): array
    {
        $log = [];
        $epoch = 0;
        $now = $this->journal->clock->now();
        $state = $this->journal->readJob->from($job, [])->state;
        foreach ($this->entries($shape, $names) as [$entry, $payload, $seq]) {
            $epoch += (int) ($payload instanceof RepairedPayload);
            $taken = min($this->moment($entry, 'taken_at'), $now);
            $id = $this->uuid($entry, 'id');
            $name = $names[$entry->text('author')];
            $core = new Entry((string) $id, $seq, $payload, (string) $by->id(), $taken, new Claim($name, []));
            $log[] = $stored = JobEntry::broughtIn(
                $id,
                new LogPlace($job->id(), $seq, $epoch),
                $payload::kind(),
                $this->keyed($entry->raw('payload')),
                new Stamp($by->id(), $taken, $now, $this->journal->catalogue->hash),
                $this->claim($entry, $names, $this->doubts($state, $core)),
            );
            $this->entities->persist($stored);
            // its own figures make it another vehicle
            $state = $payload instanceof FiguresPayload
                ? $this->journal->readJob->from($job, $log)->state
                : $state->with($core);
        }

        return $log;
    }

    /** Under which name and time an entry stands in this shop: as it was written here, or brought in here. */
    private function stamped(Shape $entry): Shape
    {
        return $entry->has('brought') ? $entry->in('brought') : $entry;
    }

    /**
     * @param array<string, string> $names
     * @param list<string> $doubts
     */
    private function claim(Shape $entry, array $names, array $doubts): StoredClaim
    {
        return new StoredClaim(
            $entry->text('author'),
            $names[$entry->text('author')],
            $entry->text('taken_at'),
            $entry->text('recorded_at'),
            (int) $entry->number('epoch'),
            $entry->text('catalogue'),
            $doubts,
        );
    }

    /** @return list<string> why the rules here would have refused an entry */
    private function doubts(JobState $before, Entry $entry): array
    {
        try {
            Rule::check($before, $entry);
        } catch (Refused $refused) {
            return $refused->reasons;
        } catch (CoreException) {
            return ['unknown-here'];
        }

        return [];
    }

    /**
     * @param array<string, string> $names
     *
     * @return list<array{Shape, Payload, int}> in order, each with its payload and number
     */
    private function entries(Shape $shape, array $names): array
    {
        $entries = $ids = [];
        $last = 0;
        $before = null;
        foreach ($shape->each('entries') as $entry) {
            $seq = (int) $entry->number('seq');
            $last = $seq === $last + 1 ? $seq : throw $entry->wrong('seq', 'entries count up from 1 without a gap');
            $recorded = $this->moment($entry, 'recorded_at');
            if (null !== $before && $recorded < $before) {
                throw $entry->wrong('recorded_at', 'it was recorded before the entry that stands before it');
            }
            $before = $recorded;
            if ($this->moment($entry, 'taken_at') > $recorded->modify('+'.self::CLOCKS_DIFFER_S.' seconds')) {
                throw $entry->wrong('taken_at', 'it was taken after it was recorded');
            }
            $kind = Kind::tryFrom($entry->text('kind')) ?? throw $entry->wrong('kind', 'unknown kind of entry');
            if (!isset($names[$entry->text('author')])) {
                throw $entry->wrong('author', 'nobody of that id is among the people');
            }
            try {
                $payload = $kind->read($entry->raw('payload'));
            } catch (InvalidData $wrong) {
                throw $entry->wrong('payload', $wrong->getMessage());
            }
            $entries[] = [$entry, $payload, $seq];
        }
        $known = array_map(fn (array $one): Uuid => $this->uuid($one[0], 'id'), $entries);
        $here = $this->journal->entries->known($known);
        foreach ($entries as [$entry]) {
            $id = $this->uuid($entry, 'id')->toRfc4122();
            if (isset($ids[$id]) || isset($here[$id])) {
                throw $entry->wrong('id', 'another entry has this id already');
            }
            $ids[$id] = true;
        }

        return $entries;
    }

    /** @return array<string, string> name by id */
    private function names(Shape $shape): array
    {
        $names = [];
        foreach ($shape->each('people') as $person) {
            $names[$this->uuid($person, 'id')->toRfc4122()] = $person->text('name');
        }

        return $names;
    }

    /**
     * @param array<string, string> $names
     * @param User|null $by who brings them in; null for our own
     */
    private function pictures(Job $job, Shape $shape, array $names, ?User $by): void
    {
        $pixels = 0;
        foreach ($shape->each('photos') as $photo) {
            $jpeg = base64_decode($photo->text('jpeg'), true);
            if (false === $jpeg || !str_starts_with($jpeg, "\xFF\xD8\xFF")) {
                throw $photo->wrong('jpeg', 'a JPEG picture in base64 is expected');
            }
            $size = @getimagesizefromstring($jpeg);
            $pixels += null === $by || false === $size ? 0 : $size[0] * $size[1];
            if ($pixels > self::MOST_PIXELS) {
                throw $photo->wrong('jpeg', 'all pictures of a job have at most 100 million pixels together');
            }
            $author = $this->uuid($photo, 'author');
            if ('' === $photo->text('about') || \strlen($photo->text('about')) > 80) {
                throw $photo->wrong('about', 'a check or a step is expected, of at most 80 characters');
            }
            $this->album->photos->keep(
                $this->uuid($photo, 'id'),
                $job->id(),
                $photo->text('about'),
                $by?->id() ?? $author,
                $this->moment($photo, 'taken_at'),
                null === $by ? [
                    'jpeg' => $jpeg,
                    'width' => (int) $photo->number('width'),
                    'height' => (int) $photo->number('height'),
                ] : $this->developed($photo, $jpeg),
                null === $by ? null : [
                    'author' => $author->toRfc4122(),
                    'name' => $names[$author->toRfc4122()] ?? '',
                ],
            );
        }
    }

    /** @return array{jpeg: string, width: int, height: int} */
    private function developed(Shape $photo, string $jpeg): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel');
        file_put_contents($file, $jpeg);
        try {
            return $this->album->darkroom->develop($file);
        } catch (InvalidInput) {
            throw $photo->wrong('jpeg', 'a picture of at most 24 million pixels is expected');
        } finally {
            unlink($file);
        }
    }

    private function moment(Shape $shape, string $key): \DateTimeImmutable
    {
        $utc = new \DateTimeZone('UTC');
        $at = \DateTimeImmutable::createFromFormat('!'.JobDocument::TIME, $shape->text($key), $utc);

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
