<?php

declare(strict_types=1);

namespace App\Photo;

use App\Input\InvalidInput;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Symfony\Component\Uid\Uuid;

/** The pictures of the jobs, in the database with everything else. */
final readonly class Photos
{
    public function __construct(private Connection $database)
    {
    }

    /**
     * @param array{jpeg: string, width: int, height: int} $picture
     * @param array{author: string, name: string}|null $claim by whom it was taken elsewhere
     */
    public function keep(
        Uuid $id,
        Uuid $job,
        string $about,
        Uuid $author,
        \DateTimeImmutable $at,
        array $picture,
        ?array $claim = null,
    ): void {
        $this->database->executeStatement(
            'INSERT INTO photo (id, job_id, about, author_id, taken_at, width, height, jpeg, claim)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (id) DO NOTHING',
            [
                $id->toRfc4122(),
                $job->toRfc4122(),
                $about,
                $author->toRfc4122(),
                $at->format(\DATE_ATOM),
                $picture['width'],
                $picture['height'],
                $picture['jpeg'],
                null === $claim ? null : json_encode($claim, \JSON_THROW_ON_ERROR),
            ],
            [7 => ParameterType::LARGE_OBJECT],
        );
    }

    /**
     * Developing takes memory: one picture of a person at a time.
     *
     * @param \Closure(): array{jpeg: string, width: int, height: int} $develop
     *
     * @return array{jpeg: string, width: int, height: int}
     *
     * @throws InvalidInput
     */
    public function oneAtATime(Uuid $author, \Closure $develop): array
    {
        return $this->database->transactional(function () use ($author, $develop): array {
            $key = 'photo '.$author->toRfc4122();
            $free = $this->database->fetchOne('SELECT pg_try_advisory_xact_lock(hashtext(?))', [$key]);

            return true === $free ? $develop() : throw InvalidInput::because('input.picture-busy');
        });
    }

    public function jpeg(Uuid $id): ?string
    {
        $jpeg = $this->database->fetchOne('SELECT encode(jpeg, \'base64\') FROM photo WHERE id = ?', [
            $id->toRfc4122(),
        ]);
        $bytes = \is_string($jpeg) ? base64_decode($jpeg, true) : false;

        return \is_string($bytes) ? $bytes : null;
    }

    /**
     * @return list<array{id: string, about: string, author: string, name: string|null, taken_at: string, width: int,
     *                    height: int}> oldest first; author and name as claimed, where it came in from elsewhere
     */
    public function of(Uuid $job, ?string $about = null): array
    {
        $rows = $this->database->fetchAllAssociative(
            "SELECT id, about, coalesce(claim->>'author', author_id::text) AS author,
                claim->>'name' AS name, taken_at, width,
                height FROM photo WHERE job_id = ? AND (CAST(? AS TEXT) IS NULL OR about = ?) ORDER BY taken_at, id",
            [$job->toRfc4122(), $about, $about],
        );
        $text = static fn (mixed $value): string => \is_scalar($value) ? (string) $value : '';

        return array_map(
            static fn (array $row): array => [
                'id' => $text($row['id']),
                'about' => $text($row['about']),
                'author' => $text($row['author']),
                'name' => null === $row['name'] ? null : $text($row['name']),
                'taken_at' => $text($row['taken_at']),
                'width' => (int) $text($row['width']),
                'height' => (int) $text($row['height']),
            ],
            $rows,
        );
    }
}
