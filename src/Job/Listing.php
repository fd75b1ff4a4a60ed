<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Job\Stage;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\Uid\Uuid;

/** Which jobs are listed, and in which order: what stands in the address of the list. */
final readonly class Listing
{
    public const SHOWN = ['shed', 'mine', 'done', 'practice'];
    public const SORTS = ['newest', 'oldest', 'unit'];
    /** Besides a stage: what is due by today, what is not to be driven, what has open items. */
    public const WAITS = ['due', 'road', 'items'];
    private const LAST_PAGE = 1000;

    private function __construct(
        public string $show,
        public string $search,
        public string $waits,
        public ?Uuid $who,
        public string $sort,
        public int $page,
    ) {
    }

    /** @param InputBag<string> $query what is unknown counts as nothing said */
    public static function of(InputBag $query): self
    {
        $among = static fn (string $key, array $known, string $else): string => \in_array(
            $query->getString($key),
            $known,
            true,
        ) ? $query->getString($key) : $else;
        $who = $query->getString('who');

        return new self(
            $among('show', self::SHOWN, 'shed'),
            mb_substr($query->getString('q'), 0, 100),
            $among('waits', self::waits(), ''),
            Uuid::isValid($who) ? Uuid::fromString($who) : null,
            $among('sort', self::SORTS, 'newest'),
            min(self::LAST_PAGE, max(1, (int) $query->getString('page', '1'))),
        );
    }

    /** @return list<string> what a job may wait for */
    public static function waits(): array
    {
        $stages = array_filter(Stage::cases(), static fn (Stage $one): bool => Stage::Done !== $one);

        return [...array_map(static fn (Stage $one): string => $one->value, $stages), ...self::WAITS];
    }

    /** Whether anything but the list as a whole was asked for. */
    public function isNarrowed(): bool
    {
        return '' !== $this->waits || null !== $this->who || 'newest' !== $this->sort;
    }

    /**
     * The same list in an address.
     *
     * @return array<string, string|null>
     */
    public function address(): array
    {
        return [
            'show' => $this->show,
            'q' => '' === $this->search ? null : $this->search,
            'waits' => '' === $this->waits ? null : $this->waits,
            'who' => $this->who?->toRfc4122(),
            'sort' => 'newest' === $this->sort ? null : $this->sort,
        ];
    }
}
