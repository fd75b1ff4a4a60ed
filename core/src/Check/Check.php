<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Check\Observer\Observers;
use Rodrel\Core\Provenance;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Sites;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** One row of the check catalogue: where it is made, what it asks for, how it is made and read. */
final readonly class Check
{
    /** The gate before what can only be seen just after a drive. */
    private const ARRIVAL = 'arrival';

    /** Readings with which it shares how far the model is off on one vehicle; '' for what is seen in itself. */
    public string $family;
    /** @var non-empty-array<string, Row> by row id; a check with one answer has the row '' */
    public array $rows;

    private function __construct(
        public string $id,
        public Sites $places,
        public string $station,
        public Manner $manner,
        public Demand $demand,
        public Role $role,
        Questions $questions,
    ) {
        $this->family = $questions->family;
        $this->rows = $questions->rows;
    }

    public static function fromShape(Shape $shape, Observers $observers): self
    {
        Provenance::fromShape($shape);

        return new self(
            $shape->text('id'),
            Sites::fromShape($shape),
            $shape->text('station'),
            Manner::fromShape($shape),
            Demand::fromShape($shape),
            Role::fromShape($shape),
            Questions::fromShape($shape, $observers),
        );
    }

    public function at(Place $place): CheckAt
    {
        return CheckAt::of($this->id, $place);
    }

    /**
     * Every place in a vehicle at which it is made.
     *
     * @return list<CheckAt>
     */
    public function everywhere(Layout $layout): array
    {
        return array_map($this->at(...), $this->places->in($layout));
    }

    /** What fades with the heat of the drive cannot be asked again once that is gone. */
    public function canBeRepeated(bool $stillWarm): bool
    {
        return !$this->role->asked && ($stillWarm || !\in_array(self::ARRIVAL, $this->demand->gates, true));
    }

    /** A sheet with a row for every wheel. */
    public function isByWheel(): bool
    {
        return null !== $this->firstRow()->corner;
    }

    public function firstRow(): Row
    {
        return $this->rows[array_key_first($this->rows)];
    }

    /** The one answer, where the check is no sheet. */
    public function onlyRow(): ?Row
    {
        return 1 === \count($this->rows) ? $this->rows[''] ?? null : null;
    }

    public function row(string $id): ?Row
    {
        return $this->rows[$id] ?? null;
    }

    /** Whether its rows are temperatures of a drive. */
    public function isHeat(): bool
    {
        return $this->firstRow()->observer->isOverAir();
    }
}
