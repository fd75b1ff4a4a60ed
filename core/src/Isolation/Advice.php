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
    /** @var list<CitedReading>|null readings to take again; null where none is asked for */
    public ?array $again;
    /** @var list<CitedReading> readings that speak against the leader all the same */
    public array $odd;
    public ?Proposal $next;
    /** @var list<Proposal> */
    public array $others;
    /** @var list<Proposal> what else is worth doing where the next one is made */
    public array $alongside;
    /** The round that the next one is made on; null where it is made by itself. */
    public ?Walk $walk;
    /** @var list<CheckAt> what the complaint calls for and nobody looked at yet */
    public array $unread;

    /** @param array{list<CitedReading>|null, list<CitedReading>} $odd */
    private function __construct(
        private Offers $offers,
        public ?GroupAt $repair,
        public string $reason,
        public bool $confirmed,
        array $odd,
    ) {
        $this->next = $offers->next;
        $this->others = $offers->others;
        $this->alongside = $offers->alongside;
        $this->walk = $offers->walk;
        $this->unread = $offers->unread;
        [$this->again, $this->odd] = $odd;
    }

    public static function of(Verdict $verdict): self
    {
        $spoken = static fn (Reading $one): CitedReading => new CitedReading($one->id, $one->check, $one->outcomes);
        $again = array_map($spoken, $verdict->contradiction->again ?? []);

        return new self(
            Offers::of($verdict),
            $verdict->repair,
            $verdict->reason,
            $verdict->confirmed,
            [[] === $again ? null : $again, array_map($spoken, $verdict->contradiction->odd ?? [])],
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $spoken = static fn (CitedReading $one): array => $one->toArray();

        return $this->offers->toArray() + [
            'repair' => null === $this->repair ? null : (string) $this->repair,
            'reason' => $this->reason,
            'again' => null === $this->again ? null : array_map($spoken, $this->again),
            'confirmed' => $this->confirmed,
            'odd' => array_map($spoken, $this->odd),
        ];
    }

    public static function fromShape(Shape $shape, Checks $checks): self
    {
        $repair = $shape->optionalText('repair');
        $read = static fn (string $key): array => array_values(
            array_map(CitedReading::fromShape(...), $shape->each($key)),
        );

        return new self(
            Offers::fromShape($shape, $checks),
            null === $repair ? null : GroupAt::parse($repair),
            $shape->text('reason'),
            $shape->flag('confirmed'),
            [$shape->has('again') ? $read('again') : null, $read('odd')],
        );
    }
}
