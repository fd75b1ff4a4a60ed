<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Way;
use Rodrel\Core\Job\Condition;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\Due;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Measurements;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\FindingNotes;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\Said;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Log\Payload\TypedNumber;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Prediction\PairShelf;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** One job at a drawn vehicle, through the same log and rules as on the bench; it keeps count. */
final class Play
{
    /** Waiting for a hot wheel, with other work to do meanwhile (minutes; estimate). */
    private const COOL_MINUTES = 5.0;
    /** What must be shown before anything is opened is taken again until it is, and who cannot show it gives up. */
    private const UNTIL_SHOWN = 6;

    public float $minutes = 0.0;
    public float $consumablesCents = 0.0;
    public int $acts = 0;
    /** How often the vehicle went up or down. */
    public int $lifts = 0;
    /** Acts that the rules refused. */
    public int $refused = 0;
    /** Drives with what should not be driven. */
    public int $unsafe = 0;
    public int $contradictions = 0;
    /** @var array<string, int> how often each check was made */
    private array $made = [];
    /** @var list<Entry<Payload>> */
    private array $log = [];
    private ?JobState $state = null;
    private ?Diagnosis $diagnosis = null;
    /** @var list<string> ids of the checks made, in order */
    public array $path = [];

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Layout $layout,
        private readonly SoundSignature $sound,
        public readonly Field $field,
        public readonly Hidden $vehicle,
        private readonly ?PairShelf $shelf = null,
    ) {
        $this->write($vehicle->intake());
    }

    public function state(): JobState
    {
        return $this->state ??= JobState::of(
            $this->catalogue,
            $this->layout,
            $this->sound,
            Story::of($this->log, $this->catalogue->checks->keeping()),
        );
    }

    public function diagnosis(): Diagnosis
    {
        return $this->diagnosis ??= Diagnosis::of(
            $this->field,
            $this->state(),
            $this->vehicle->visit()->settings,
            $this->shelf,
        );
    }

    /** Brings the vehicle there, makes the check and writes down what it showed. */
    public function make(CheckAt $at): void
    {
        $check = $this->catalogue->checks->of($at);
        $this->openGates($check, $at);
        $this->prepare($check);
        ++$this->acts;
        $this->path[] = (string) $at;
        $this->minutes += $check->demand->minutes;
        $this->consumablesCents += $check->demand->consumablesCents;
        $this->unsafe += (int) (\in_array('road', $check->demand->gates, true) && $this->vehicle->isUnsafeToDrive());
        $time = $this->made[(string) $at] ?? 0;
        $this->made[(string) $at] = $time + 1;
        $outcomes = $numbers = [];
        foreach ($this->vehicle->answer($at, $time) as $row => $answer) {
            if (\is_string($answer)) {
                $outcomes[$row] = $answer;
            } else {
                $numbers[$row] = new TypedNumber(new Figure((string) $answer, '', $answer));
            }
        }
        $this->write(new ReadingPayload($at, $outcomes, $numbers, $this->vehicle->isUnsure($at, $time)));
    }

    /** Signs the leading finding's repair and carries it out; whether it cured something. */
    public function repair(GroupAt $group): bool
    {
        $finding = new FindingPayload($group, new Said(''), 0.0, 0.0, [], [], new FindingNotes());
        $this->append($finding);
        $this->append(new RepairedPayload($group, 'e'.\count($this->log)));
        $this->made = [];

        return $this->vehicle->repair($group);
    }

    /**
     * What may be made now and was not yet, lifting, cooling and putting together allowed.
     *
     * @return list<CheckAt>
     */
    public function possible(): array
    {
        $now = $this->state()->situation;
        $possible = [];
        foreach ($this->catalogue->checks as $check) {
            $tools = $this->vehicle->visit()->settings->missingTools($check->demand->tools);
            $never = $check->role->proof || $check->role->asked || [] !== $tools;
            foreach ($never ? [] : $check->everywhere($this->layout) as $at) {
                $gates = $this->catalogue->gates->closedFor($check, $at->place, $now, $this->catalogue->checks);
                if (!$now->made($at) && [] === array_filter($gates, static fn (Gate $gate): bool => $gate->waits)) {
                    $possible[] = $at;
                }
            }
        }

        return $possible;
    }

    /** @return list<string> repairs that a report of its condition calls due now */
    public function dueNow(): array
    {
        $measured = Measurements::of([$this->state()->story], $this->catalogue->checks);
        $due = [];
        foreach (Condition::of($this->catalogue, $this->state(), $measured) as $line) {
            if (Due::Now === $line->due && null !== $line->repair) {
                $due[] = $line->repair;
            }
        }

        return $due;
    }

    /** @return list<string> checks in the book's order */
    public function book(): array
    {
        return $this->catalogue->book;
    }

    /** A wheel that is held, or that the driver named; everything that is no wheel's. */
    public function concerns(CheckAt $at): bool
    {
        $held = $this->state()->situation->held($this->catalogue->checks);
        if (null === $at->place->corner()) {
            return true;
        }
        if ([] !== $held) {
            return \in_array($at->place->corner(), $held, true);
        }
        foreach ($this->state()->story->intake()->complaints ?? [] as $complaint) {
            foreach ($this->catalogue->complaints->all[$complaint]->drags->wheels ?? [] as $wheel) {
                if ($at->place->covers(Place::at($wheel))) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Of a check with the way to it. */
    public function minutesOf(CheckAt $at): float
    {
        $check = $this->catalogue->checks->of($at);
        $car = $this->state()->situation->car;

        return $check->demand->minutes
            + (new Way($car, $this->vehicle->visit()->settings->times, $this->catalogue->stations))->minutes($check);
    }

    /** What would be believed after a check whose answers nobody has written down. */
    public function imagine(CheckAt $at): Belief
    {
        $belief = $this->diagnosis()->belief;
        $outcomes = $numbers = [];
        foreach ($this->vehicle->answer($at, $this->made[(string) $at] ?? 0) as $row => $answer) {
            if (\is_string($answer)) {
                $outcomes[$row] = $answer;
            } else {
                $numbers[$row] = $answer;
                $outcomes[$row] = $this->sound->wordOf($this->catalogue->checks->of($at), $at, $row, $answer);
            }
        }
        if ([] === $outcomes) {
            return $belief;
        }
        $reading = new Reading('imagined', $at, $outcomes, false, $this->now(), $numbers);

        return Belief::of($belief->field, $belief->opening, [...$belief->readings, $reading]);
    }

    /** What stands before a check and is opened by a reading is read first: stored pressure let go, for one. */
    private function openGates(Check $check, CheckAt $at): void
    {
        for ($n = 0; $n < self::UNTIL_SHOWN; ++$n) {
            $first = $this->opener($check, $at);
            if (null === $first) {
                return;
            }
            $this->make($first);
        }
    }

    private function opener(Check $check, CheckAt $at): ?CheckAt
    {
        $situation = $this->state()->situation;
        $gates = $this->catalogue->gates->closedFor($check, $at->place, $situation, $this->catalogue->checks);
        foreach ($gates as $gate) {
            $opener = $gate->opener();
            if (!$gate->waits && null !== $opener && $opener->id !== $at->id) {
                return $opener;
            }
        }

        return null;
    }

    private function prepare(Check $check): void
    {
        $situation = $this->state()->situation;
        $way = new Way($situation->car, $this->vehicle->visit()->settings->times, $this->catalogue->stations);
        $this->minutes += $way->minutes($check);
        foreach ($way->together($check) > 0.0 ? array_keys($situation->car->apart) : [] as $what) {
            $this->write(new TogetherPayload(ApartAt::parse($what)));
        }
        $to = $check->demand->lift;
        if ($way->lift($check) > 0.0) {
            $this->lifts += (int) ($situation->car->onGround() !== (Lift::Ground === $to));
            $this->write(new LiftPayload($to, Lift::Ground !== $to));
        }
        if (!$situation->car->cool && Lift::Ground !== $to && Lift::Any !== $to) {
            $this->minutes += self::COOL_MINUTES;
            $this->write(new CoolPayload());
        }
    }

    private function write(Payload $payload): void
    {
        $entry = new Entry('e'.(\count($this->log) + 1), \count($this->log) + 1, $payload, '', $this->now());
        try {
            Rule::check($this->state(), $entry);
        } catch (Refused|InvalidData) {
            ++$this->refused;
        }
        $this->append($payload);
    }

    private function append(Payload $payload): void
    {
        $seq = \count($this->log) + 1;
        $this->log[] = new Entry('e'.$seq, $seq, $payload, '', $this->now());
        $this->state = $this->diagnosis = null;
    }

    private function now(): \DateTimeImmutable
    {
        return $this->vehicle->visit()->at->modify('+'.\count($this->log).' minutes');
    }
}
