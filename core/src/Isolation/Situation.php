<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Check\Observer\ComplaintObserver;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** What state the vehicle is in and what was read in this epoch, as the planner and the gates need it. */
final readonly class Situation
{
    /** How the ids of complaints of drag begin. */
    private const DRAGS = 'drags';
    /** The complaint that is none. */
    private const NOBODY_COMPLAINS = 'none';

    /**
     * @param list<Reading> $readings standing readings of this epoch
     * @param bool $firstEpoch nothing was repaired yet
     * @param Reach $reach of what is known: a gate asks for nothing that this vehicle cannot show
     * @param array<string, list<string>> $cannot rows that cannot be looked at here, by check at its place
     */
    public function __construct(
        public CarState $car,
        public array $readings,
        public bool $firstEpoch = true,
        public Reach $reach = Reach::Foot,
        public Complaint $complaint = new Complaint(),
        public array $cannot = [],
    ) {
    }

    /** One reading more. */
    public function with(Reading $reading): self
    {
        return new self(
            $this->car,
            Reading::standing([...$this->readings, $reading]),
            $this->firstEpoch,
            $this->reach,
            $this->complaint,
            $this->cannot,
        );
    }

    /** The last reading says that the unit's stored pressure is gone, and the ignition was not on for one since. */
    public function discharged(Checks $checks): bool
    {
        $discharged = false;
        foreach ($this->readings as $reading) {
            $check = $checks->of($reading->check);
            $discharged = $check->role->discharges
                ? $check->firstRow()->observer->words()[0] === ($reading->outcomes[$check->firstRow()->id] ?? '')
                : $discharged && 'on' !== $check->manner->engine;
        }

        return $discharged;
    }

    /** The word of one row of one check; null where it was not read. */
    public function outcome(CheckAt $check, string $row): ?string
    {
        return $this->reading($check)?->outcomes[$row] ?? null;
    }

    public function made(CheckAt $check): bool
    {
        return null !== $this->reading($check);
    }

    /**
     * The rows of a check that are still open: neither answered nor said to be out of reach here.
     *
     * @return list<string>
     */
    public function open(Check $check, CheckAt $at): array
    {
        $answered = array_map(strval(...), array_keys($this->reading($at)->outcomes ?? []));
        $rows = array_map(strval(...), array_keys($check->rows));

        return array_values(array_diff($rows, $answered, $this->cannot[(string) $at] ?? []));
    }

    /**
     * Whether some rows of these checks, at any place, are out of reach here.
     *
     * @param list<string> $ids of checks
     */
    public function lacks(array $ids): bool
    {
        foreach (array_keys($this->cannot) as $at) {
            if (\in_array(CheckAt::parse($at)->id, $ids, true)) {
                return true;
            }
        }

        return false;
    }

    public function reading(CheckAt $check): ?Reading
    {
        foreach ($this->readings as $reading) {
            if ($reading->check->is($check)) {
                return $reading;
            }
        }

        return null;
    }

    /** Whether a check was made for which the engine ran. */
    public function started(Checks $checks): bool
    {
        foreach ($this->readings as $reading) {
            if ('on' === $checks->of($reading->check)->manner->engine) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> what the driver said, by complaint */
    public function complaints(Checks $checks): array
    {
        $said = $this->complaint->said;
        foreach ($this->readings as $reading) {
            if ($checks->of($reading->check)->firstRow()->observer instanceof ComplaintObserver) {
                array_push($said, ...array_values($reading->outcomes), ...$reading->also);
            }
        }

        return array_values(array_unique($said));
    }

    /**
     * What is looked into: what the driver said, and drag at every wheel that was found held though he spoke of none.
     *
     * @return list<string> ids of complaints
     */
    public function troubles(Checks $checks): array
    {
        $said = $this->complaints($checks);
        if (self::isOfDrag($said)) {
            return $said;
        }
        $found = array_map(static fn (Corner $corner): string => self::DRAGS.'-'.$corner->value, $this->held($checks));

        return [...$said, ...$found];
    }

    /**
     * The same, with what was found on the way that is looked into like a complaint.
     *
     * @return list<string> ids of complaints
     */
    public function lookedInto(Checks $checks, RouteBook $routes): array
    {
        $troubles = $this->troubles($checks);
        foreach ($this->seen($checks) as $answer) {
            if (isset($routes->found[$answer])) {
                $troubles[] = $routes->found[$answer];
            }
        }

        return array_values(array_unique($troubles));
    }

    /**
     * A wheel that drags is spun before it is taken off.
     *
     * @param list<string> $complaints
     */
    public static function isOfDrag(array $complaints): bool
    {
        return [] !== array_filter($complaints, static fn (string $one): bool => str_starts_with($one, self::DRAGS));
    }

    /** Whether somebody makes this check for what is looked into. */
    public function hasTurn(Check $check, Checks $checks): bool
    {
        return $check->demand->turn->fits($this->troubles($checks), $this->seen($checks));
    }

    /** Nobody complains: the vehicle is looked over. */
    public function looksOver(Checks $checks): bool
    {
        return \in_array(self::NOBODY_COMPLAINS, $this->complaints($checks), true);
    }

    /**
     * @return list<string> every answer, `check/row/word`; and `held//several` where more than one wheel is
     */
    public function seen(Checks $checks): array
    {
        $seen = \count($this->held($checks)) > 1 ? ['held//several'] : [];
        foreach ($this->readings as $reading) {
            foreach ($reading->outcomes as $row => $word) {
                $seen[] = $reading->check->id.'/'.$row.'/'.$word;
            }
        }

        return $seen;
    }

    /** Whether any check that tells it was made: which wheels are held. */
    public function spun(Checks $checks): bool
    {
        foreach ($checks->tellingHeld() as $check) {
            if ($this->made($check->at(Place::vehicle()))) {
                return true;
            }
        }

        return false;
    }

    /**
     * The wheels that a check which tells such things found held in this epoch.
     *
     * @return list<Corner>
     */
    public function held(Checks $checks): array
    {
        $held = [];
        foreach ($checks->tellingHeld() as $check) {
            foreach ($check->rows as $row) {
                $word = $this->outcome($check->at(Place::vehicle()), $row->id);
                if (null !== $row->corner && null !== $word && $word !== $row->observer->wording->best()) {
                    $held[$row->id] = $row->corner;
                }
            }
        }

        return array_values($held);
    }
}
