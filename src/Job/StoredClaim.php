<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Shape;

/**
 * What an entry from elsewhere said of itself, kept as it came: author, times, epoch, catalogue; and the doubts of our
 * rules.
 */
final readonly class StoredClaim
{
    /** @param list<string> $doubts keys of the reasons for which it would have been refused here */
    public function __construct(
        public string $author,
        public string $name,
        public string $takenAt,
        public string $recordedAt,
        public int $epoch,
        public string $catalogue,
        public array $doubts,
    ) {
    }

    /** @param list<string> $doubts */
    public function withDoubts(array $doubts): self
    {
        return self::fromArray(['doubts' => $doubts] + $this->toArray());
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'author' => $this->author,
            'name' => $this->name,
            'taken_at' => $this->takenAt,
            'recorded_at' => $this->recordedAt,
            'epoch' => $this->epoch,
            'catalogue' => $this->catalogue,
            'doubts' => $this->doubts,
        ];
    }

    /** @param array<string, mixed> $data */
    public static function fromArray(array $data): self
    {
        $shape = new Shape($data, '/claim');

        return new self(
            $shape->text('author'),
            $shape->text('name'),
            $shape->text('taken_at'),
            $shape->text('recorded_at'),
            (int) $shape->number('epoch'),
            $shape->text('catalogue'),
            $shape->texts('doubts'),
        );
    }
}
