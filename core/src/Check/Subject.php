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
        $program = Program::press($check->footN ?? 150.0, $check->holdS ?? 3.0);

        return match ($probe) {
            'effort' => $this->probes->effortN($this->run($program), $this->soundOr()->run($program), Corner::from($row), $sample),
            'worst-effort' => $this->worstEffort('off' === $row ? Program::pressEngineOff(200.0) : Program::press(150.0)),
            'sink' => $this->probes->sinkMm($this->run(Program::hold(150.0, 30.0))),
            'open-line-flow' => $this->probes->openLineMlPerS($this->pressed(), Corner::from($place)),
            'pin-band' => $this->probes->pinBandN($this->pressed(), Corner::from($place)),
            'bracket-band' => $this->probes->bracketBandN($this->effects, Corner::from($place)),
            default => $this->number($probe, $check, $row),
        };
    }

    /** The probe behind a typed number, in the unit of the core. */
    public function number(string $probe, Check $check, string $row): float
    {
        return match ($probe) {
            'travel' => $this->pressed()->travelMm(Program::HELD),
            'heat' => $this->heatK($check, $row),
            default => throw new \LogicException(\sprintf('Check "%s" names no known probe "%s" (row "%s").', $check->id, $probe, $row)),
        };
    }

    /**
     * @param non-empty-list<string> $words every complaint, or just gone and still
     *
     * @return non-empty-list<float>
     */
    public function complaint(array $words): array
    {
        $run = $this->pressed();
        $sound = $this->soundOr()->pressed();
        $drag = $brake = $reference = [];
        foreach (Corner::cases() as $corner) {
            $drag[$corner->value] = $run->torqueNm($corner, Program::AFTER_4_S) - $sound->torqueNm($corner, Program::AFTER_4_S);
            $brake[$corner->value] = $run->torqueNm($corner, Program::HELD);
            $reference[$corner->value] = $sound->torqueNm($corner, Program::HELD);
        }

        $chances = ComplaintChances::of($drag, $brake, $reference, $run->travelMm(Program::HELD) / $sound->travelMm(Program::HELD));
        if (2 === \count($words)) {
            return [$chances['none'], 1.0 - $chances['none']];
        }

        return array_map(static fn (string $word): float => $chances[$word] ?? 0.0, $words);
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

    private function heatK(Check $check, string $row): float
    {
        $drive = $this->drives[(string) $check->rows[$row]->drive];

        return min(self::MOST_HEAT_K, max(self::LEAST_HEAT_K, $this->probes->heatK($this->pressed(), Corner::from($row), $drive)));
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
