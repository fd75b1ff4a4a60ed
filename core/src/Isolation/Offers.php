<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** Everything that could be done at the vehicle now, as a page offers it. */
final readonly class Offers
{
    /**
     * @param list<Proposal> $others
     * @param list<Proposal> $alongside what else is worth doing where the next one is made
     * @param Walk|null $walk the round that the next one is made on; null where it is made by itself
     * @param list<CheckAt> $unread what the complaint calls for, nobody looked at yet and could still matter
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public array $alongside,
        public ?Walk $walk,
        public array $unread,
    ) {
    }

    public static function of(Verdict $verdict): self
    {
        $standing = $verdict->standing;
        $unread = array_filter(
            $standing->open($standing->route->own),
            static fn (Proposal $one): bool => Walk::matters($one, $standing),
        );

        return new self(
            $verdict->next,
            $verdict->others,
            $verdict->alongside,
            Walk::around($verdict->next, $verdict->reason, $standing, $verdict->looks),
            array_map(static fn (Proposal $one): CheckAt => $one->at, array_values($unread)),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $proposal = static fn (Proposal $one): array => $one->toArray();

        return [
            'next' => $this->next?->toArray(),
            'others' => array_map($proposal, $this->others),
            'alongside' => array_map($proposal, $this->alongside),
            'walk' => $this->walk?->toArray(),
            'unread' => array_map(strval(...), $this->unread),
        ];
    }

    public static function fromShape(Shape $shape, Checks $checks): self
    {
        $read = static fn (Shape $one): Proposal => Proposal::fromShape($one, $checks);

        return new self(
            $shape->has('next') ? $read($shape->in('next')) : null,
            array_values(array_map($read, $shape->each('others'))),
            array_values(array_map($read, $shape->each('alongside'))),
            $shape->has('walk') ? Walk::fromShape($shape->in('walk')) : null,
            array_map(CheckAt::parse(...), $shape->texts('unread')),
        );
    }
}
