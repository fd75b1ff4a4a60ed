<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\Place;

/** What cures a fault, where it is done, and what the fault spoils until then. */
final readonly class Cure
{
    /** In the data: the axle of the corner at which the fault sits. */
    private const AXLE = 'axle';

    /**
     * @param string|null $where null: where the fault sits
     * @param list<Part> $spoils
     */
    private function __construct(public string $repair, private ?string $where, public array $spoils)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->text('repair'),
            $shape->has('repair_place') ? $shape->choice('repair_place', [self::AXLE, Place::VEHICLE]) : null,
            array_map(Part::of(...), $shape->texts('spoils')),
        );
    }

    /** Faults that one repair at one place cures are one group. */
    public function groupFor(Place $place): GroupAt
    {
        $corner = $place->corner();

        return GroupAt::of($this->repair, match ($this->where) {
            null => $place,
            self::AXLE => null === $corner ? $place : Place::axleOf($corner),
            default => Place::vehicle(),
        });
    }
}
