<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;

/** A verdict as a page shows it. */
final readonly class Advice
{
    /**
     * @param list<Proposal> $others
     * @param list<Spoken>|null $again readings to take again; null where nothing contradicts
     */
    private function __construct(
        public ?Proposal $next,
        public array $others,
        public ?GroupAt $repair,
        public string $reason,
        public ?array $again,
        public bool $confirmed,
    ) {
    }

    public static function of(Verdict $verdict): self
    {
        $again = null === $verdict->contradiction ? null : array_map(
            static fn (Reading $reading): Spoken => new Spoken($reading->id, $reading->check, $reading->outcomes),
            $verdict->contradiction->again,
        );

        return new self(
            $verdict->next,
            $verdict->others,
            $verdict->repair,
            $verdict->reason,
            $again,
            $verdict->confirmed,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'next' => $this->next?->toArray(),
            'others' => array_map(static fn (Proposal $one): array => $one->toArray(), $this->others),
            'repair' => null === $this->repair ? null : (string) $this->repair,
            'reason' => $this->reason,
            'again' => null === $this->again
                ? null
                : array_map(static fn (Spoken $one): array => $one->toArray(), $this->again),
            'confirmed' => $this->confirmed,
        ];
    }

    public static function fromShape(Shape $shape, Checks $checks): self
    {
        $read = static fn (Shape $one): Proposal => Proposal::fromShape($one, $checks);
        $repair = $shape->optionalText('repair');

        return new self(
            $shape->has('next') ? $read($shape->in('next')) : null,
            array_values(array_map($read, $shape->each('others'))),
            null === $repair ? null : GroupAt::parse($repair),
            $shape->text('reason'),
            $shape->has('again') ? array_values(array_map(Spoken::fromShape(...), $shape->each('again'))) : null,
            $shape->flag('confirmed'),
        );
    }
}
