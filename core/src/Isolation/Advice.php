<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** A verdict as a page shows it. */
final readonly class Advice
{
    /** @var list<Spoken>|null readings to take again; null where none is asked for */
    public ?array $again;
    /** @var list<Spoken> readings that speak against the leader all the same */
    public array $odd;

    /**
     * @param list<Proposal> $others
     * @param list<Proposal> $alongside what else is worth doing where the next one is made
     * @param array{list<Spoken>|null, list<Spoken>} $odd
     * @param list<CheckAt> $unread what the complaint calls for and nobody looked at yet
     * @param Walk|null $walk the round that the next one is made on; null where it is made by itself
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public array $alongside,
        public ?GroupAt $repair,
        public string $reason,
        public bool $confirmed,
        array $odd,
        public ?Walk $walk,
        public array $unread,
    ) {
        [$this->again, $this->odd] = $odd;
    }

    public static function of(Verdict $verdict): self
    {
        $spoken = static fn (Reading $one): Spoken => new Spoken($one->id, $one->check, $one->outcomes);
        $again = array_map($spoken, $verdict->contradiction->again ?? []);

        return new self(
            $verdict->next,
            $verdict->others,
            $verdict->alongside,
            $verdict->repair,
            $verdict->reason,
            $verdict->confirmed,
            [[] === $again ? null : $again, array_map($spoken, $verdict->contradiction->odd ?? [])],
            Walk::around($verdict->next, $verdict->reason, $verdict->standing),
            array_map(
                static fn (Proposal $one): CheckAt => $one->at,
                $verdict->standing->open($verdict->standing->route->own),
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $proposal = static fn (Proposal $one): array => $one->toArray();
        $spoken = static fn (Spoken $one): array => $one->toArray();

        return [
            'next' => $this->next?->toArray(),
            'others' => array_map($proposal, $this->others),
            'alongside' => array_map($proposal, $this->alongside),
            'repair' => null === $this->repair ? null : (string) $this->repair,
            'reason' => $this->reason,
            'again' => null === $this->again ? null : array_map($spoken, $this->again),
            'confirmed' => $this->confirmed,
            'odd' => array_map($spoken, $this->odd),
            'walk' => $this->walk?->toArray(),
            'unread' => array_map(strval(...), $this->unread),
        ];
    }

    public static function fromShape(Shape $shape, Checks $checks): self
    {
        $read = static fn (Shape $one): Proposal => Proposal::fromShape($one, $checks);
        $repair = $shape->optionalText('repair');

        return new self(
            $shape->has('next') ? $read($shape->in('next')) : null,
            array_values(array_map($read, $shape->each('others'))),
            array_values(array_map($read, $shape->each('alongside'))),
            null === $repair ? null : GroupAt::parse($repair),
            $shape->text('reason'),
            $shape->flag('confirmed'),
            [
                $shape->has('again') ? array_values(array_map(Spoken::fromShape(...), $shape->each('again'))) : null,
                array_values(array_map(Spoken::fromShape(...), $shape->each('odd'))),
            ],
            $shape->has('walk') ? Walk::fromShape($shape->in('walk')) : null,
            array_map(CheckAt::parse(...), $shape->texts('unread')),
        );
    }
}
