<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Model\Program;
use Rodrel\Core\Model\VehicleRun;
use Rodrel\Core\Model\VehicleSimulator;
use Rodrel\Core\Vehicle\Corner;

/** One simulated vehicle on which checks are made; its runs are made when first asked for. */
final class Subject
{
    /** Colder than this over the air a thermometer tells nothing. */
    private const LEAST_HEAT_K = 2.0;
    /** Smoking by now: the driver has stopped (estimate; plausible 350 to 600). */
    private const MOST_HEAT_K = 450.0;

    /** @var array<string, VehicleRun> */
    private array $runs = [];
    /** @var array<string, array<string, float>> kelvins over the air by drive and corner, before the heat adds drag */
    private array $excess = [];

    /** @param array<string, Drive> $drives */
    public function __construct(
        private readonly Probes $probes,
        private readonly VehicleSimulator $simulator,
        private readonly Effects $effects,
        private readonly ?self $sound,
        private readonly array $drives,
    ) {
    }

    public function soundOr(): self
    {
        return $this->sound ?? $this;
    }

    public function run(Program $program): VehicleRun
    {
        return $this->runs[$program->id] ??= $this->simulator->run($program, $this->effects, null === $program->vacuumKpa ? null : $this->pressed());
    }

    /** The probe's number behind a row of words. */
    public function words(string $probe, Check $check, string $place, string $row): float
    {
        $sample = ($check->rows[$row]->figures['after_s'] ?? 4.0) > 10.0 ? Program::AFTER_17_S : Program::AFTER_4_S;
        $program = 150.0 === ($check->footN ?? 150.0) ? Program::press(150.0, $check->holdS ?? 3.0) : Program::shortPress($check->footN ?? 150.0, $check->holdS ?? 3.0);

        return match ($probe) {
            'effort' => $this->probes->effortN($this->run($program), $this->soundOr()->run($program), Corner::from($row), $sample),
            'effort-hot' => $this->effortHotN(Corner::from($row)),
            'effort-series' => $this->probes->effortN($this->driven(), $this->soundOr()->pressed(), Corner::from($row), Program::AFTER_4_S),
            'worst-effort' => $this->worstEffort(match ($row) {
                'off', 'vented' => Program::pressEngineOff(200.0),
                'hand-pump' => $this->effects->value('booster', 'stuck', 0.0) > 0.0 ? Program::handPump() : Program::press(150.0),
                default => Program::press(150.0),
            }),
            'pumped' => $this->pumped('third' === $row ? 2 : 3),
            'free-after' => $this->probes->freeAfterS($this->pressed(), $this->soundOr()->pressed(), Corner::from($row)),
            'left-drag' => $this->probes->meanDragNm($this->driven(), Corner::from($row)),
            'pull' => $this->probes->pullIndex($this->stopped(), 'first' === $row ? Program::FIRST_INSTANT : Program::WHOLE_STOP),
            'grip-used' => $this->probes->gripsUsed($this->stopped(), $this->soundOr()->stopped())[$row],
            'ripple' => $this->pressed()->circuits[$place]->portOpens() ? 1.0 : 0.1,
            'hose-grows' => $this->probes->hoseMlPerKpa($this->pressed(), Corner::from($place)),
            'sink' => $this->probes->sinkMm($this->run(Program::hold(150.0, 30.0))),
            'open-line-flow' => $this->probes->openLineMlPerS($this->pressed(), Corner::from($place)),
            'pin-band' => $this->probes->pinBandN($this->pressed(), Corner::from($place)),
            'bracket-band' => $this->probes->bracketBandN($this->effects, Corner::from($place)),
            default => $this->number($probe, $check, $place, $row),
        };
    }

    /** The probe behind a typed number, in the unit of the core. */
    public function number(string $probe, Check $check, string $place, string $row): float
    {
        $floor = $check->rows[$row]->figures['floor'] ?? -\INF;

        return max($floor, match ($probe) {
            'travel' => $this->pressed()->travelMm(Program::HELD),
            'heat' => $this->heatK($this->drives[(string) $check->rows[$row]->drive], Corner::from($row)),
            'gauge' => $this->pressed()->wheelKpa(Corner::from($place), match ($row) {
                'after-1' => Program::AFTER_1_S,
                'after-5' => Program::AFTER_5_S,
                'after-30' => Program::AFTER_30_S,
                default => Program::HELD,
            }),
            'vacuum' => $this->effects->value('booster', 'vacuum_kpa', $this->probes->vacuumKpa()),
            'roller' => $this->probes->brakeForceN($this->pressed(), Corner::from($row), Program::HELD),
            default => throw new \LogicException(\sprintf('Check "%s" names no known probe "%s" (row "%s").', $check->id, $probe, $row)),
        });
    }

    /**
     * @param non-empty-list<string> $words every complaint, or just gone and still
     *
     * @return non-empty-list<float>
     */
    public function complaint(array $words): array
    {
        if (2 === \count($words)) {
            $still = 1.0 - $this->complaints(false)['none'];

            return [1.0 - $still, $still];
        }
        $cold = $this->complaints(false);
        $hot = $this->traps() ? $this->complaints(true) : $cold;

        return array_map(static fn (string $word): float => 0.5 * ($cold[$word] ?? 0.0) + 0.5 * ($hot[$word] ?? 0.0), $words);
    }

    /**
     * What is noticed cold, or after some driving: half of the drivers tell of the one, half of the other (estimate).
     *
     * @return array<string, float>
     */
    private function complaints(bool $warm): array
    {
        $run = $this->pressed();
        $sound = $this->soundOr()->pressed();
        $drag = $brake = $reference = [];
        foreach (Corner::cases() as $corner) {
            $drag[$corner->value] = max($run->torqueNm($corner, Program::AFTER_4_S), $warm ? $this->hotTorqueNm($corner) : 0.0) - $sound->torqueNm($corner, Program::AFTER_4_S);
            $brake[$corner->value] = $run->torqueNm($corner, Program::HELD);
            $reference[$corner->value] = $sound->torqueNm($corner, Program::HELD);
        }

        return ComplaintChances::of($drag, $brake, $reference, $run->travelMm(Program::HELD) / $sound->travelMm(Program::HELD), $this->probes->pullIndex($this->stopped(), Program::FIRST_INSTANT), $this->probes->pullIndex($this->stopped(), Program::WHOLE_STOP), $this->probes->gripsUsed($this->stopped(), $this->soundOr()->stopped()));
    }

    /** @return non-empty-list<float> would not stick · (spurts, frees · spurts, stuck · dribbles, stuck) or (frees · stays stuck) */
    public function opened(Observer $observer, Check $check, string $place): array
    {
        $read = $this->probes->opened($this->pressed(), $this->soundOr()->pressed(), Corner::from($place), $observer->joint ?? 'wheel');
        $limit = $observer->limits[0];
        $sticks = Chance::above($limit, $read['before_n'], $observer->noise);
        $frees = Chance::below($limit, $read['after_n'], $observer->noise);
        if (3 === \count($observer->words)) {
            return [1.0 - $sticks, $sticks * $frees, $sticks * (1.0 - $frees)];
        }
        $spurts = Chance::above($observer->figure('spurt_kpa'), $read['kpa'], $observer->figure('spurt_sigma'));

        return [1.0 - $sticks, $sticks * $frees, $sticks * (1.0 - $frees) * $spurts, $sticks * (1.0 - $frees) * (1.0 - $spurts)];
    }

    /** @return non-empty-list<float> easy · hard, then slack · hard shut, easy open · hard both ways */
    public function pushBack(Observer $observer, string $place): array
    {
        $read = $this->probes->pushBack($this->pressed(), Corner::from($place));
        $hardOpen = Chance::above($observer->figure('open_n'), $read['open_n'], $observer->noise);
        $easy = Chance::above($observer->figure('moved_mm'), $read['moved_mm'], $observer->noise);
        $stays = Chance::above($observer->figure('left_share'), $read['left_share'], $observer->noise);
        $shut = (1.0 - $hardOpen) * (1.0 - $easy);

        return [(1.0 - $hardOpen) * $easy, $shut * (1.0 - $stays), $shut * $stays, $hardOpen];
    }

    /** Kelvins over the air after a drive; behind a closed port the heat itself adds to the drag, half of it on average. */
    private function heatK(Drive $drive, Corner $corner): float
    {
        $run = $this->driven();
        $excess = $this->probes->heatK($run, $corner, $drive);
        if ($this->traps()) {
            $gained = max(0.0, $this->hotTorqueNm($corner, $drive) - $run->torqueNm($corner, Program::AFTER_300_S));
            $excess = $this->probes->heatK($run, $corner, $drive, 0.5 * $gained);
        }

        return min(self::MOST_HEAT_K, max(self::LEAST_HEAT_K, $excess));
    }

    /** Torque left when the fluid has warmed on a drive; where the port is open that is what the press left. */
    private function hotTorqueNm(Corner $corner, ?Drive $drive = null): float
    {
        if (!$this->traps()) {
            return 0.0;
        }
        $drive ??= $this->drives['town'];
        $this->excess[$drive->id] ??= array_combine(
            array_map(static fn (Corner $c): string => $c->value, Corner::cases()),
            array_map(fn (Corner $c): float => min(self::MOST_HEAT_K, $this->probes->heatK($this->driven(), $c, $drive)), Corner::cases()),
        );

        return $this->probes->hotTorqueNm($this->driven(), $corner, $this->excess[$drive->id]);
    }

    private function effortHotN(Corner $corner): float
    {
        $cold = $this->probes->effortN($this->pressed(), $this->soundOr()->pressed(), $corner, Program::AFTER_4_S);

        return max($cold, $this->hotTorqueNm($corner) / $this->probes->tyreRadiusM());
    }

    /** Some circuit cannot give back what heat and quick releases add. */
    private function traps(): bool
    {
        foreach ($this->pressed()->circuits as $circuit) {
            if (!$circuit->portOpens()) {
                return true;
            }
        }

        return false;
    }

    /** As it is after braking again and again: only a covered port makes a difference to the single press. */
    private function driven(): VehicleRun
    {
        return $this->traps() ? $this->run(Program::series()) : $this->pressed();
    }

    /** A later quick stroke over the first one; slack shoes come back only half between quick strokes (handbook). */
    private function pumped(int $stroke): float
    {
        $first = $this->run(Program::pump())->travelMm(0);
        $later = $this->effects->has('extra_clearance')
            ? $this->simulator->run(Program::pump(), $this->effects->scaled('extra_clearance', 0.5))
            : $this->run(Program::pump());

        return $later->travelMm($stroke) / max(1.0, $first);
    }

    private function stopped(): VehicleRun
    {
        return $this->run(Program::stop());
    }

    private function pressed(): VehicleRun
    {
        return $this->run(Program::press(150.0));
    }

    private function worstEffort(Program $program): float
    {
        return $this->probes->worstEffortN($this->run($program), $this->soundOr()->run($program), Program::AFTER_4_S);
    }
}
