<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** A gate's question: in which situation, for a check at which place. */
final readonly class Asking
{
    public function __construct(public Situation $now, private Checks $checks, private Place $place)
    {
    }

    public function holds(Fact $fact, ?Check $check): bool
    {
        $car = $this->now->car;

        return match ($fact) {
            Fact::OnGround => $car->onGround(),
            Fact::Lifted => null === $check || $car->lift->level() >= $check->demand->lift->level(),
            Fact::Stands => $car->onGround() || $car->stands,
            Fact::Cool => $car->cool,
            Fact::Together => [] === $car->apart,
            Fact::Closed => !$car->opened,
            Fact::DrivenIn => $car->drivenIn,
            Fact::Discharged => !$this->now->reach->stores() || $this->now->discharged($this->checks),
            Fact::Caged => null === $this->cager() || $this->now->made($this->cager()),
            Fact::Unstarted => !$car->drivenIn && !$this->now->started($this->checks),
            Fact::Held => [] !== array_filter(
                $this->now->held($this->checks),
                fn (Corner $corner): bool => $this->place->covers(Place::at($corner)),
            ),
            Fact::MadeBefore => null === $check?->demand->turn->after || $this->now->made($this->first($check)),
        };
    }

    /** Whether a check can be made on this kind of vehicle at all. */
    public function applies(string $check): bool
    {
        return $this->checks->has($check) && \in_array($this->now->reach, $this->checks->all[$check]->places->on, true);
    }

    /** The condition's key; what must come first is named by its check. */
    public function keyOf(string $condition, ?Check $check): string
    {
        return str_replace('{after}', (string) $check?->demand->turn->after, $condition);
    }

    /** The check that would make a fact of it; null where none does. */
    public function answer(Fact $fact, ?Check $check): ?CheckAt
    {
        return match ($fact) {
            Fact::MadeBefore => null === $check?->demand->turn->after ? null : $this->first($check),
            Fact::Discharged => self::ofVehicle(array_filter(
                $this->checks->all,
                fn (Check $one): bool => $one->role->discharges && $this->applies($one->id),
            )),
            Fact::Held => self::ofVehicle($this->checks->tellingHeld()),
            Fact::Caged => $this->cager(),
            default => null,
        };
    }

    /** The check that cages the spring brake of the wheel at hand; null where it has none. */
    private function cager(): ?CheckAt
    {
        foreach ($this->checks->all as $check) {
            if ($check->role->cages && $this->applies($check->id) && false === $this->place->corner()?->isFront()) {
                return $check->at($this->place);
            }
        }

        return null;
    }

    /**
     * The check by which one of these would be read before the repair.
     *
     * @param list<GateReading> $reads
     */
    public function reading(array $reads): ?CheckAt
    {
        $checks = [];
        foreach ($reads as $read) {
            if ($this->applies($read->check) && !$this->checks->all[$read->check]->role->proof) {
                $checks[] = $this->checks->all[$read->check];
            }
        }

        return self::ofVehicle($checks);
    }

    /** @param array<Check> $checks */
    private static function ofVehicle(array $checks): ?CheckAt
    {
        $first = reset($checks);

        return false === $first ? null : $first->at(Place::vehicle());
    }

    private function first(Check $check): CheckAt
    {
        return CheckAt::of((string) $check->demand->turn->after, $this->place);
    }
}
