<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Check\Complaint\Complaints;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Fluid;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\ReservoirLedger;
use Rodrel\Core\Physics\Vacuum;
use Rodrel\Core\Physics\VehicleRun;
use Rodrel\Core\Vehicle\Remote;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\TargetAt;

/** One simulated vehicle on which checks are made; its runs are made when first asked for. */
final class Subject
{
    /** Colder than this over the air a thermometer tells nothing (K; estimate). */
    private const LEAST_HEAT_K = 2.0;
    /** Smoking by now: the driver has stopped (K; estimate; plausible 350 to 600). */
    private const MOST_HEAT_K = 450.0;
    /** The drive after which a wheel is called hot, where a check names none. */
    private const USUAL_DRIVE = 'town';
    /** Between quick strokes slack shoes come back half of their way (handbook). */
    private const SLACK_BETWEEN_STROKES = 0.5;
    /** Half of the drivers tell of the cold vehicle, half of the warm one (estimate). */
    private const TELLS_OF_THE_WARM = 0.5;

    /** Of the air before a wheel so much comes with what its bleeder gives (estimate; plausible 0.2 to 0.8). */
    private const AIR_FROM_BEFORE = 0.5;
    /** A propped pedal is looked at after a minute. */
    private const PROPPED_S = 60.0;
    /** The drive in which wet fluid boils. */
    private const LONG_DESCENT = 'mountain-descent';

    /** @var array<string, VehicleRun> */
    private array $runs = [];
    /** @var array<string, VehicleRun> by rung of the ladder that is plugged */
    private array $plugged = [];
    private ?VehicleRun $pressed = null;
    private ?VehicleRun $stopped = null;
    private ?bool $traps = null;
    private ?ReservoirLedger $ledger = null;
    /** @var array<string, array<string, float>> kelvins over the air by drive and corner, before the heat adds drag */
    private array $excess = [];
    /** @var array<string, float>|null */
    private ?array $grips = null;
    /** @var non-empty-array<string, float>|null chance of each complaint, cold */
    private ?array $cold = null;
    /** @var \WeakMap<object, float> */
    private \WeakMap $noted;

    /** @param array<string, Drive> $drives */
    private function __construct(
        public readonly Instruments $instruments,
        private readonly Complaints $complaints,
        private readonly array $drives,
        private readonly Effects $effects,
        private readonly ?self $sound,
    ) {
        $this->noted = new \WeakMap();
    }

    /** A vehicle without a fault: what every other one is compared with. */
    public static function sane(Instruments $instruments, Checks $checks, Complaints $complaints): self
    {
        return new self($instruments, $complaints, $checks->drives, Effects::none(), null);
    }

    /** The same vehicle with a fault in it. */
    public function with(Effects $effects): self
    {
        return new self($this->instruments, $this->complaints, $this->drives, $effects, $this->sound());
    }

    public function sound(): self
    {
        return $this->sound ?? $this;
    }

    /**
     * What somebody reads here over and over again, read once.
     *
     * @param callable(self): float $read
     */
    public function noted(object $reader, callable $read): float
    {
        return $this->noted[$reader] ??= $read($this);
    }

    public function run(Program $program): VehicleRun
    {
        return $this->runs[$program->id] ??= $this->instruments->simulator->run(
            $program,
            $this->effects,
            $program->supply->comesAfterPresses() ? $this->pressed() : null,
        );
    }

    /** @return list<string> ids of the programs that were run so far */
    public function programsRun(): array
    {
        return array_keys($this->runs);
    }

    public function drive(string $id): Drive
    {
        return $this->drives[$id] ?? throw new \LogicException('A checked catalogue names drives that there are.');
    }

    public function pressed(): VehicleRun
    {
        return $this->pressed ??= $this->run($this->instruments->programs->press());
    }

    public function stopped(): VehicleRun
    {
        return $this->stopped ??= $this->run(Program::stop());
    }

    /** As it is after braking again and again: only a covered port makes a difference to the single press. */
    public function driven(): VehicleRun
    {
        return $this->traps() ? $this->run(Program::series()) : $this->pressed();
    }

    public function boosterHolds(): bool
    {
        return $this->effects->value('booster', null, 'stuck', 0.0) > 0.0;
    }

    public function vacuumKpa(): float
    {
        return $this->vacuum()->kpa;
    }

    public function vacuum(): Vacuum
    {
        return Vacuum::of($this->instruments->layout, $this->effects);
    }

    public function ledger(): ReservoirLedger
    {
        return $this->ledger
            ??= ReservoirLedger::of($this->instruments->layout, $this->effects, $this->stopped(), $this->vacuum());
    }

    /** One parameter of the vehicle as its fault has it. */
    public function effect(string $kind, Place|Corner|string|null $place, string $parameter, float $sound): float
    {
        return $this->effects->value($kind, $place, $parameter, $sound);
    }

    /** The steady hold that a word stands for: 30 N for a minute, 150 N, or 200 N without the engine. */
    public static function holdOf(string $press): Program
    {
        return match ($press) {
            'light' => Program::hold(Program::LIGHT_N, 60.0),
            'off' => Program::hold(Program::FIRM_OFF_N, 30.0, false),
            'off-light' => Program::hold(Program::LIGHT_N, 60.0, false),
            default => Program::holdTwice(),
        };
    }

    /** Sink in mm of a hold from its first second to a moment of it, or of the second hold at once after it. */
    public function sinkMm(string $press, string $at): float
    {
        return $this->instruments->sinkMm($this->run(self::holdOf($press)), $at);
    }

    /** mL that come back into a chamber of the reservoir from the first second of a hold to its end. */
    public function backIntoReservoirMl(string $press, string $chamber): float
    {
        $states = $this->run(self::holdOf($press))->states[$chamber];

        return max(0.0, $states[Program::HOLD_1_S]->drawnMl - $states[Program::HOLD_END]->drawnMl);
    }

    /** The pedal with plugs in a rung of the ladder: mm beyond its play, or mm of sink in half a minute. */
    public function pluggedMm(string $at, string $reads): float
    {
        $run = $this->plugged[$at] ??= $this->instruments->simulator->run(
            Program::hold(Program::FIRM_N, 30.0),
            $this->instruments->plugs->in($at, $this->effects),
        );
        $play = $this->instruments->freePlayMm($run, $this->effect('pedal', null, 'slack', 0.0));

        return 'sinks' === $reads
            ? $this->instruments->sinkMm($run, 'end')
            : max(0.0, $run->travelMm(Program::HOLD_1_S) - $play);
    }

    /** Air in mL that shows at an opened bleeder: all that is at the wheel, half of what is before it. */
    public function airAtMl(Corner $corner): float
    {
        $layout = $this->instruments->layout;

        return $this->effect('wheel', $corner, 'air', 0.0)
            + self::AIR_FROM_BEFORE * (
                $this->effect('chamber', $layout->chamberOf($corner)->id, 'air', 0.0)
                + $this->effect('modulator', $layout->hoseOf($corner), 'air', 0.0)
            );
    }

    /**
     * What is left at each joint of a wheel's line four seconds after a firm press.
     *
     * @return array<string, float> kPa by joint
     */
    public function leftAtJoints(Corner $corner): array
    {
        $run = $this->run(Program::shortPress(Program::FIRM_N));

        return $this->instruments->jointsKpa($run, $corner, Program::AFTER_4_S);
    }

    public function proppedShare(Corner $corner): float
    {
        $held = $this->pressed()->wheelKpa($corner, Program::HELD);
        $left = $this->instruments->simulator->proppedKpa($this->pressed(), $corner, self::PROPPED_S);

        return $held > 0.0 ? max(0.0, $left) / $held : 1.0;
    }

    /** Pressure in kPa behind a remote booster that is given 2000 kPa. */
    public function remoteOutKpa(bool $vacuum): float
    {
        $remote = $this->instruments->layout->assist->remote;
        $gain = $this->effect('remote', null, 'gain_share', 1.0);

        return $remote?->outKpa(Remote::BENCH_KPA, $vacuum ? $this->vacuumKpa() : 0.0, $gain) ?? 0.0;
    }

    /** Travel of a firm press after a long descent, in which wet fluid boils, over the cold one. */
    public function hotTravelShare(): float
    {
        $water = $this->effect('fluid', null, 'water', 0.0);
        if ($water <= 0.0) {
            return 1.0;
        }
        $vapour = Effects::none();
        foreach (Corner::cases() as $corner) {
            $fluidC = $this->instruments->fluidC($this->heatK($this->drive(self::LONG_DESCENT), $corner));
            $ml = Fluid::vapourMl($fluidC, $water);
            $vapour = $vapour->together(Effects::single(TargetAt::of('wheel', $corner), 'air', $ml));
        }
        $hot = $this->instruments->simulator->run(Program::press(), $this->effects->together($vapour));

        return $hot->travelMm(Program::HELD) / max(1.0, $this->pressed()->travelMm(Program::HELD));
    }

    public function bracketBandN(Corner $corner): float
    {
        return $this->effects->value('brake', $corner, 'bracket', 0.0);
    }

    public function extraClearanceMl(Corner $corner): float
    {
        return max(0.0, $this->effects->value('wheel', $corner, 'extra_clearance', 0.0));
    }

    public function worstEffortN(Program $program): float
    {
        $run = $this->run($program);
        $sound = $this->sound()->run($program);

        return max(
            array_map(
                fn (Corner $corner): float => $this->instruments->effortN($run, $sound, $corner, Program::AFTER_4_S),
                Corner::cases(),
            ),
        );
    }

    /** A later quick stroke over the first one, by its index. */
    public function pumped(int $stroke): float
    {
        $run = $this->run(Program::pump());
        // what bends opened is taken up by the first stroke and stays so; slack comes back between strokes
        $later = $this->effects->has('extra_clearance') || $this->effects->has('knock')
            ? $this->instruments->simulator->run(
                Program::pump(),
                $this->effects->scaled('extra_clearance', self::SLACK_BETWEEN_STROKES)->scaled('knock', 0.0),
            )
            : $run;

        return $later->travelMm($stroke) / max(1.0, $run->travelMm(0));
    }

    /** @return array<string, float> by corner */
    public function gripsUsed(): array
    {
        return $this->grips ??= $this->instruments->gripsUsed($this->stopped(), $this->sound()->stopped());
    }

    public function weakness(): float
    {
        $force = static fn (VehicleRun $run): float => array_sum(
            array_map(static fn (Corner $corner): float => $run->torqueNm($corner, Program::HELD), Corner::cases()),
        );

        return max(0.0, 1.0 - $force($this->pressed()) / max(1.0, $force($this->sound()->pressed())));
    }

    public function trap(Corner $corner, Joint $joint): Trap
    {
        // what a cap keeps in comes with quick releases, not with one press
        [$run, $sound] = Joint::Cap === $joint
            ? [$this->driven(), $this->sound()->run(Program::series())]
            : [$this->pressed(), $this->sound()->pressed()];

        return $this->instruments->opened($run, $sound, $corner, $joint);
    }

    public function pushBack(Corner $corner): PushBack
    {
        return $this->instruments->pushBack($this->pressed(), $corner, $this->bracketBandN($corner));
    }

    /**
     * Kelvins over the air after a drive; behind a closed port the heat itself adds to the drag, half of it on
     * average.
     */
    public function heatK(Drive $drive, Corner $corner): float
    {
        $run = $this->driven();
        $excess = $this->instruments->heatK($run, $this->stopped(), $corner, $drive);
        if ($this->traps()) {
            $late = $run->torqueNm($corner, Program::AFTER_300_S);
            $gained = max(0.0, $this->hotTorqueNm($corner, $drive) - $late);
            $excess = $this->instruments->heatK($run, $this->stopped(), $corner, $drive, 0.5 * $gained);
        }

        return min(self::MOST_HEAT_K, max(self::LEAST_HEAT_K, $excess));
    }

    public function effortHotN(Corner $corner): float
    {
        $sound = $this->sound()->pressed();
        $cold = $this->instruments->effortN($this->pressed(), $sound, $corner, Program::AFTER_4_S);
        $radius = $this->instruments->layout->body->tyreRadiusM;

        return max($cold, $this->hotTorqueNm($corner, $this->drive(self::USUAL_DRIVE)) / $radius);
    }

    /** @return non-empty-list<float> chance of each complaint, in the catalogue's order */
    public function complaints(): array
    {
        $cold = $this->complaintsCold();
        $warm = $this->traps() ? $this->complaintsWhen(true) : $cold;
        $share = self::TELLS_OF_THE_WARM;

        return array_map(
            static fn (float $c, float $w): float => (1.0 - $share) * $c + $share * $w,
            array_values($cold),
            array_values($warm),
        );
    }

    /** Chance that a driver would still say that something is wrong, cold. */
    public function stillComplains(): float
    {
        return 1.0 - $this->complaintsCold()[$this->complaints->none()];
    }

    /** @return non-empty-array<string, float> */
    private function complaintsCold(): array
    {
        return $this->cold ??= $this->complaintsWhen(false);
    }

    /** @return non-empty-array<string, float> */
    private function complaintsWhen(bool $warm): array
    {
        $run = $this->pressed();
        $sound = $this->sound()->pressed();
        $drag = [];
        foreach (Corner::cases() as $corner) {
            $hot = $warm ? $this->hotTorqueNm($corner, $this->drive(self::USUAL_DRIVE)) : 0.0;
            $drag[$corner->value]
                = max($run->torqueNm($corner, Program::AFTER_4_S), $hot)
                - $sound->torqueNm($corner, Program::AFTER_4_S);
        }

        return $this->complaints->chances($this, $drag);
    }

    /** Torque left when the fluid has warmed on a drive; where the port is open heat adds nothing. */
    private function hotTorqueNm(Corner $corner, Drive $drive): float
    {
        if (!$this->traps()) {
            return 0.0;
        }
        foreach (Corner::cases() as $wheel) {
            $this->excess[$drive->id][$wheel->value] ??= min(
                self::MOST_HEAT_K,
                $this->instruments->heatK($this->driven(), $this->stopped(), $wheel, $drive),
            );
        }

        return $this->instruments->hotTorqueNm($this->driven(), $corner, $this->excess[$drive->id]);
    }

    /** Some circuit cannot give back what heat and quick releases add. */
    private function traps(): bool
    {
        return $this->traps ??= $this->hasShutPort();
    }

    private function hasShutPort(): bool
    {
        foreach ($this->pressed()->circuits as $circuit) {
            if (!$circuit->piston->portOpens()) {
                return true;
            }
        }

        return false;
    }
}
