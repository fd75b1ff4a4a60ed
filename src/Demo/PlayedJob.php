<?php

declare(strict_types=1);

namespace App\Demo;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Vehicle\VehicleKind;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Bleeding\BleedPoint;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Log\Payload\ConfirmPayload;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\HandoverPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\PreparedPayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\Temperature;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Log\Payload\TypedNumber;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Repair\SheetStep;
use Rodrel\Core\Repair\Step;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\Uid\Uuid;

/**
 * Plays a job on a vehicle with a hidden fault, through the same use cases as people do. Each step takes its minutes.
 */
final class PlayedJob
{
    /** Level, wet and lamps as they should be. */
    public const ALL_GOOD = ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'];
    private const AIR_C = 9.0;
    private const SCHOOL = 'strip-first';
    private Job $job;

    public function __construct(
        private readonly Hands $hands,
        private \DateTimeImmutable $at,
        private HiddenVehicle $vehicle,
    ) {
    }

    /**
     * @param list<array{string, string, int}> $fitted part, place, weeks ago
     * @param string|null $said the complaint; null: what the driver of such a vehicle says
     */
    public function open(
        VehicleKind $kind,
        string $pattern = '',
        string $note = '',
        ?Arrival $arrival = null,
        array $fitted = [],
        ?string $said = null,
        int $spentCents = 0,
    ): self {
        $said ??= (string) $this->vehicle->answer('complaint@vehicle')[''];
        $parts = array_map(
            static fn (array $row): FittedPart => new FittedPart(Part::of($row[0])->at(Place::of($row[1])), $row[2]),
            $fitted,
        );
        $intake = new IntakePayload([$said], $pattern, $arrival ?? new Arrival(), $parts, $note, $spentCents);
        $this->job = ($this->hands->openJob)($this->hands->author, Uuid::v7(), Uuid::v7(), $kind, $intake, $this->at);

        return $this;
    }

    /** Follows the engine's suggestions. */
    public function bench(int $checks): self
    {
        for (; $checks > 0; --$checks) {
            $next = $this->loaded()->judgement()?->advice->next;
            if (null === $next) {
                break;
            }
            $this->read($next->at);
        }

        return $this;
    }

    /**
     * Takes one check, opening the gates before it.
     *
     * @param array<string, string|float> $answers instead of the vehicle's own
     */
    public function read(CheckAt|string $at, array $answers = [], bool $unsure = false): self
    {
        $at = \is_string($at) ? CheckAt::parse($at) : $at;
        $catalogue = $this->hands->catalogue;
        $check = $catalogue->checks->of($at);
        $now = $this->loaded()->state->situation;
        foreach ($catalogue->gates->closedFor($check, $at->place, $now, $catalogue->checks) as $gate) {
            match ($gate->id) {
                'hot' => $this->write(new CoolPayload(), 20),
                'together' => $this->together(),
                'under' => $this->write(new LiftPayload($check->demand->lift, true), 6),
                'stuck', 'order' => $this->read($gate->opener() ?? throw new \LogicException('Nothing opens it.')),
                default => null,
            };
        }
        if (\in_array('road', $check->demand->gates, true)) {
            $this->lower();
        }
        $outcomes = $numbers = [];
        foreach ($answers + $this->vehicle->answer($at) as $row => $answer) {
            if (\is_float($answer)) {
                $numbers[$row] = $this->typed(
                    $check->row($row)->observer->typed->unit ?? Unit::Celsius,
                    $answer,
                    $check->isHeat(),
                );
            } else {
                $outcomes[$row] = $answer;
            }
        }

        return $this->write(new ReadingPayload($at, $outcomes, $numbers, $unsure), (int) ceil($check->demand->minutes));
    }

    /**
     * Figures from a gauge, and the words that they make; rows that no figure speaks for are left open.
     *
     * @param array<string, float> $mm by field of the sheet
     */
    public function measure(string $check, array $mm, ?int $km = null): self
    {
        $at = CheckAt::parse($check);
        $definition = $this->hands->catalogue->checks->of($at);
        $sheet = $definition->role->measures ?? throw new \LogicException($check.' takes no figures.');
        if (!$this->loaded()->state->situation->car->lift->reaches($definition->demand->lift)) {
            $this->write(new LiftPayload($definition->demand->lift, true), 6);
        }
        $typed = array_map(static fn (float $one): string => $one.' mm', $mm)
            + (null === $km ? [] : ['km' => (string) $km]);
        $words = $sheet->words($mm, !$this->loaded()->layout->brake($at->place->corner() ?? Corner::LeftFront)->disc);

        return $this->write(
            new ReadingPayload($at, $words, measured: $typed),
            (int) ceil($definition->demand->minutes),
        );
    }

    public function sign(): self
    {
        return $this->write(
            fn (LoadedJob $loaded): Payload => $this->hands->signed->payload(
                $loaded,
                $loaded->judgement()?->leader() ?? throw new \LogicException('The demo has its predictions.'),
                'as the driver of the demo decided',
            ),
            2,
        );
    }

    public function prepare(): self
    {
        foreach ($this->sheet()->prepare as $item) {
            $this->write(new PreparedPayload($item['id']), 1);
        }

        return $this;
    }

    public function steps(int $count): self
    {
        $state = $this->loaded()->state;
        $sheet = $state->story->finding()->id ?? '';
        $steps = array_filter(
            $this->sheet()->steps,
            static fn (SheetStep $line): bool => \in_array($line->step->way, [null, self::SCHOOL], true),
        );
        foreach (\array_slice($steps, 0, $count) as $line) {
            foreach ($line->written() as $name) {
                $this->write(new StepPayload($sheet, $name, $this->figure($line->step)), 4);
            }
        }

        return $this;
    }

    /** Another part in the same visit. */
    public function line(string $group, string $why): self
    {
        return $this->write(new LinePayload(GroupAt::parse($group), true, $why), 1);
    }

    private function sheet(): Sheet
    {
        return $this->loaded()->state->sheet() ?? throw new \LogicException('The finding was just signed.');
    }

    /** All steps and second looks, and the vehicle is cured. */
    public function repair(HiddenVehicle $afterwards): self
    {
        $this->prepare()->steps(\PHP_INT_MAX);
        $state = $this->loaded()->state;
        $group = $state->repairGroup() ?? throw new \LogicException('The finding was just signed.');
        $sheet = $state->story->finding()->id ?? '';
        $this->at = $this->at->modify('+'.Rule::SECOND_LOOK_S.' seconds');
        foreach ($this->sheet()->steps as $line) {
            foreach ($line->names as $names) {
                $done = $state->story->stepDone($sheet, ...$names);
                if (true === $line->step->figure?->holdPoint && null !== $done) {
                    $confirm = new ConfirmPayload($done->id);
                    ($this->hands->append)($this->job, $this->hands->second, Uuid::v7(), $confirm, $this->at);
                }
            }
        }
        $this->write(new RepairedPayload($group, $sheet, \array_slice($this->sheet()->groups, 1)), 3);
        $this->vehicle = $afterwards;

        return $this;
    }

    public function bleed(): self
    {
        $opened = BleedPlan::opened($this->hands->catalogue->repairs, $this->loaded()->state->changed());
        if ([] === $opened) {
            return $this;
        }
        $repairs = array_map(static fn (GroupAt $one): string => $one->id, $this->loaded()->state->changed());
        $purpose = BleedPlan::purpose(...$repairs);
        $this->write(new BleedSetupPayload('pedal', 'glycol', 'glycol', $purpose, [], 'lot 4471, opened today'), 1);
        foreach (BleedPlan::of($this->loaded()->layout, $opened, repairs: $repairs)->points as $point) {
            $this->write(new BleedPayload($point, 9, 'strokes', 'few', 0, 'amber, cloudy'), 5);
            $this->write(new BleedPayload($point, 6, 'strokes', 'none', 4, 'clear'), 4);
        }

        return $this->write(new BledPayload(), 1);
    }

    /** The bottle hangs on, the first strokes are written down. */
    public function bleedBegun(): self
    {
        $corner = $this->loaded()->state->repaired?->place->corner() ?? Corner::RightRear;

        return $this->write(new BleedSetupPayload('pedal', 'glycol', 'glycol', 'renew'), 2)->write(
            new BleedPayload(new BleedPoint($corner->value, ''), 11, 'strokes', 'many', 0, 'dark, cloudy'),
            6,
        );
    }

    public function proof(int $checks): self
    {
        for (; $checks > 0; --$checks) {
            $next = $this->loaded()->state->proof->next();
            if (null === $next?->check) {
                break;
            }
            $this->read($next->check, $next->check->is('look@vehicle') ? self::ALL_GOOD : []);
        }

        return $this;
    }

    public function handOver(): self
    {
        return $this->lower()->write(new HandoverPayload(), 5);
    }

    /** Level, wet, lamps and pedal: what opens the road. */
    public function ground(): self
    {
        return $this->read('look@vehicle', self::ALL_GOOD)->read('pedal@vehicle');
    }

    /** Puts together what checks left apart. */
    public function together(): self
    {
        foreach ($this->loaded()->state->situation->car->apart as $what => $minutes) {
            $this->write(new TogetherPayload(ApartAt::parse($what)), (int) ceil($minutes));
        }

        return $this;
    }

    public function lower(): self
    {
        $this->together();

        return $this->loaded()->state->situation->car->onGround()
            ? $this
            : $this->write(new LiftPayload(Lift::Ground, false), 5);
    }

    /** @param Payload|\Closure(LoadedJob): Payload $says */
    public function write(Payload|\Closure $says, int $minutes): self
    {
        $this->at = $this->at->modify('+'.$minutes.' minutes');
        ($this->hands->append)($this->job, $this->hands->author, Uuid::v7(), $says, $this->at);

        return $this;
    }

    private function loaded(): LoadedJob
    {
        return ($this->hands->readJob)($this->job);
    }

    private function typed(Unit $unit, float $core, bool $heat): TypedNumber
    {
        if ($heat) {
            $typed = (string) round($core + self::AIR_C);
            $taken = new Temperature(
                self::AIR_C,
                'rusty',
                HeatRound::ROTOR,
                0.0,
                round($core, 1),
                HeatRound::STANDING_S,
            );

            return new TypedNumber(new Figure($typed, Unit::Celsius->value, round($core, 1)), $taken);
        }
        $typed = round($unit->fromCore($core), Unit::Bar === $unit ? 1 : 0);

        return new TypedNumber(new Figure((string) $typed, $unit->value, $unit->toCore($typed)));
    }

    private function figure(Step $step): ?Figure
    {
        if (null === $step->figure) {
            return null;
        }
        $middle = round(0.5 * array_sum($step->figure->typical), 1);

        return new Figure((string) $middle, $step->figure->measures->coreUnit()->value, $middle);
    }
}
