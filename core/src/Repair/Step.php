<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Shape;

/** One step of a procedure. Its words are the catalogue text `step.<procedure>.<id>`. */
final readonly class Step
{
    /** Belongs to one school's way of doing it; null belongs to all. */
    public ?string $way;
    /** Comes after all that is required. */
    public bool $last;
    /** Is made with the bleed run, which follows the sheet. */
    public bool $withRun;
    /** The joint that it opens or closes; '' for none. */
    public string $breaks;
    public string $makes;
    /** What it takes of the things that lie ready; '' for none. */
    public string $uses;
    /** What it brings back of the things that were used; '' for none. */
    public string $returns;
    /** @var list<string> steps of other lines of the visit that it is made before, at its place */
    public array $aheadOf;
    /** @var list<string> kinds of part that it is made for; none: for all */
    public array $forPart;
    /** @var list<string> it is left out where another line of the visit has one of these steps at its place */
    public array $givesWayTo;

    /**
     * @param list<string> $cautions
     * @param AskedFigure|null $figure that is typed with this step
     * @param int|null $count how many of a consumable are used (new sealing washers, plugs)
     * @param bool $opens the system is open from here on
     */
    private function __construct(
        public string $id,
        public array $cautions,
        public ?AskedFigure $figure,
        public ?int $count,
        public bool $opens,
        public bool $required,
        Shape $shape,
    ) {
        $this->way = $shape->has('way') ? $shape->text('way') : null;
        $this->last = $shape->flag('last');
        $this->withRun = $shape->flag('with_run');
        $this->breaks = $shape->text('breaks', '');
        $this->makes = $shape->text('makes', '');
        $this->uses = $shape->text('uses', '');
        $this->returns = $shape->text('returns', '');
        $this->aheadOf = $shape->texts('ahead_of');
        $this->forPart = $shape->texts('for_part');
        $this->givesWayTo = $shape->texts('gives_way_to');
    }

    /**
     * Whether somebody may leave it out or do it in another way: never what is measured, counted, required, opened or
     * closed.
     */
    public function mayDiffer(): bool
    {
        return !$this->required
            && null === $this->figure
            && null === $this->count
            && !$this->opens
            && '' === $this->breaks.$this->makes;
    }

    /** Whether it waits for the bleed run of a visit that has one: what is made with it, and the wheels. */
    public function isAfterRun(): bool
    {
        return $this->last || $this->withRun;
    }

    /** Whether it is made with that kind of part; '' where none was chosen. */
    public function isFor(string $part): bool
    {
        return [] === $this->forPart || \in_array($part, $this->forPart, true);
    }

    public static function fromShape(Shape $shape): self
    {
        $measures = $shape->has('torque_nm') ? Quantity::Torque : ($shape->has('gap_mm') ? Quantity::Length : null);
        $band = $shape->numbers(Quantity::Length === $measures ? 'gap_mm' : 'torque_nm');
        if (null !== $measures && !isset($band[0], $band[1])) {
            throw $shape->wrong('torque_nm', 'a typical band of two numbers is expected');
        }
        if ($shape->flag('hold_point') && null === $measures) {
            throw $shape->wrong('hold_point', 'a hold point wants a figure: torque_nm or gap_mm');
        }

        if ($shape->has('way') && $shape->flag('required')) {
            throw $shape->wrong('way', 'a step of one school only cannot be required of all');
        }

        return new self(
            $shape->text('id'),
            $shape->texts('cautions'),
            null === $measures ? null : new AskedFigure($measures, [$band[0], $band[1]], $shape->flag('hold_point')),
            $shape->has('count') ? (int) $shape->number('count') : null,
            $shape->flag('opens'),
            $shape->flag('required'),
            $shape,
        );
    }
}
