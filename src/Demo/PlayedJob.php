<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\User;
use App\Finding\SignedFinding;
use App\Job\AppendEntry;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\OpenJob;
use App\Job\ReadJob;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Gates;
use Rodrel\Core\Job\Guard;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Repair\Step;
use Rodrel\Core\Rig\HiddenVehicle;
use Symfony\Component\Uid\Uuid;

/** Plays a job on a vehicle with a hidden fault, through the same use cases as people do. Each step takes its minutes. */
final class PlayedJob
{
    private const AIR_C = 9.0;
    private Job $job;

    public function __construct(
        private readonly OpenJob $openJob,
        private readonly AppendEntry $append,
        private readonly ReadJob $readJob,
        private readonly SignedFinding $signed,
        private readonly Catalogue $catalogue,
        private readonly User $author,
        private readonly User $second,
        private \DateTimeImmutable $at,
        private HiddenVehicle $vehicle,
    ) {
    }

    /** @param array<string, mixed> $intake */
    public function open(string $unit, string $preset, array $intake): self
    {
        $said = $this->vehicle->answer('complaint@vehicle')[''];
        $this->job = ($this->openJob)($this->author, Uuid::v7(), Uuid::v7(), $unit, $preset, $intake + ['complaint' => $said, 'pattern' => '', 'hot' => false, 'driven_in' => false, 'parts' => [], 'note' => ''], $this->at);

        return $this;
    }

    /** Follows the engine's suggestions. */
    public function bench(int $checks): self
    {
        for (; $checks > 0; --$checks) {
            $next = $this->loaded()->state->verdict()?->next;
            if (null === $next) {
                break;
            }
            $this->read($next->id());
        }

        return $this;
    }

    /**
     * Takes one check, opening the gates before it.
     *
     * @param array<string, string|float> $answers instead of the vehicle's own
     */
    public function read(string $id, array $answers = [], bool $unsure = false): self
    {
        $check = $this->catalogue->check($id);
        $place = explode('@', $id)[1];
        foreach (Gates::closedFor($check, $place, $this->loaded()->state->situation) as $gate) {
            match ($gate->unmet[0]) {
                'cool' => $this->write(Kind::Cool, [], 20),
                'raise', 'wheels-off', 'stands' => $this->write(Kind::Lift, ['to' => $check->lift->value, 'stands' => true], 6),
                'spin-first' => $this->read('spin@vehicle'),
                default => null,
            };
        }
        if ($check->road) {
            $this->lower();
        }
        $outcomes = $numbers = [];
        foreach ($answers + $this->vehicle->answer($id) as $row => $answer) {
            if (\is_float($answer) && $check->rows[$row]->isOverAir()) {
                $numbers[(string) $row] = ['typed' => (string) round($answer + self::AIR_C), 'unit' => '°C', 'core' => round($answer, 1), 'air_c' => self::AIR_C, 'surface' => 'rusty'];
            } elseif (\is_float($answer)) {
                $unit = Unit::from((string) $check->rows[$row]->unit);
                $typed = round($unit->fromCore($answer), Unit::Bar === $unit ? 1 : 0);
                $numbers[(string) $row] = ['typed' => (string) $typed, 'unit' => $unit->value, 'core' => $unit->toCore($typed)];
            } else {
                $outcomes[(string) $row] = $answer;
            }
        }
        $payload = array_filter(['check' => $id, 'outcomes' => $outcomes, 'numbers' => $numbers, 'unsure' => $unsure], static fn (mixed $v): bool => [] !== $v);

        return $this->write(Kind::Reading, $payload, (int) ceil($check->minutes));
    }

    public function sign(): self
    {
        $leader = $this->loaded()->state->belief?->leader();

        return $this->write(Kind::Finding, $this->signed->payload($this->job, $leader[0] ?? '', ''), 2);
    }

    public function prepare(): self
    {
        $group = (string) $this->loaded()->state->repairGroup();
        foreach ($this->catalogue->procedures[$this->catalogue->repair($group)->procedure]->prepare as $item) {
            $this->write(Kind::Prepared, ['item' => $item['id']], 1);
        }

        return $this;
    }

    public function steps(int $count): self
    {
        $state = $this->loaded()->state;
        $sheet = (string) $state->story->finding()?->id;
        $procedure = $this->catalogue->procedures[$this->catalogue->repair((string) $state->repairGroup())->procedure];
        foreach (\array_slice(array_filter($procedure->steps, static fn (Step $step): bool => \in_array($step->way, [null, 'strip-first'], true)), 0, $count) as $step) {
            $figure = null === $step->typical || null === $step->measures ? [] : ['figure' => ['typed' => (string) round(0.5 * array_sum($step->typical), 1), 'unit' => $step->measures->coreUnit()->value, 'core' => round(0.5 * array_sum($step->typical), 1)]];
            $this->write(Kind::Step, ['sheet' => $sheet, 'step' => $step->id] + $figure, 4);
        }

        return $this;
    }

    /** All steps and second looks, and the vehicle is cured. */
    public function repair(HiddenVehicle $afterwards): self
    {
        $this->prepare()->steps(\PHP_INT_MAX);
        $state = $this->loaded()->state;
        $group = (string) $state->repairGroup();
        $sheet = (string) $state->story->finding()?->id;
        $this->at = $this->at->modify('+'.Guard::SECOND_LOOK_S.' seconds');
        foreach ($this->catalogue->procedures[$this->catalogue->repair($group)->procedure]->steps as $step) {
            $done = JobState::stepDone($this->loaded()->state->story, $sheet, $step->id);
            if ($step->holdPoint && null !== $done) {
                ($this->append)($this->job, $this->second, Uuid::v7(), Kind::Confirm, ['step' => $done->id], $this->at);
            }
        }
        $this->write(Kind::Repaired, ['group' => $group, 'sheet' => $sheet], 3);
        $this->vehicle = $afterwards;

        return $this;
    }

    public function bleed(): self
    {
        $state = $this->loaded()->state;
        $repair = $this->catalogue->repair((string) $state->repaired);
        if ('none' === $repair->bleeds) {
            return $this;
        }
        $place = 'all' === $repair->bleeds ? 'vehicle' : explode('@', (string) $state->repaired)[1];
        $this->write(Kind::BleedSetup, ['method' => 'pedal', 'plate' => 'glycol', 'fluid' => 'glycol', 'purpose' => 'all' === $repair->bleeds ? 'renew' : 'opened', 'own' => []], 1);
        foreach (array_keys(BleedPlan::of($this->loaded()->layout, $place)->done($this->loaded()->layout, [])) as $key) {
            [$corner, $bleeder] = [...explode('-', $key), ''];
            $this->write(Kind::Bleed, ['corner' => $corner, 'bleeder' => $bleeder, 'strokes' => 9, 'unit' => 'strokes', 'bubbles' => 'few', 'clear' => 0, 'colour' => 'amber, cloudy'], 5);
            $this->write(Kind::Bleed, ['corner' => $corner, 'bleeder' => $bleeder, 'strokes' => 6, 'unit' => 'strokes', 'bubbles' => 'none', 'clear' => 4, 'colour' => 'clear'], 4);
        }

        return $this->write(Kind::Bled, [], 1);
    }

    /** The bottle hangs on, the first strokes are written down. */
    public function bleedBegun(): self
    {
        $corner = explode('@', (string) $this->loaded()->state->repaired)[1];

        return $this->write(Kind::BleedSetup, ['method' => 'pedal', 'plate' => 'glycol', 'fluid' => 'glycol', 'purpose' => 'renew', 'own' => []], 2)
            ->write(Kind::Bleed, ['corner' => $corner, 'bleeder' => '', 'strokes' => 11, 'unit' => 'strokes', 'bubbles' => 'many', 'clear' => 0, 'colour' => 'dark, cloudy'], 6);
    }

    public function proof(int $checks): self
    {
        for (; $checks > 0; --$checks) {
            $next = $this->loaded()->state->proof->next();
            if (null === $next?->check) {
                break;
            }
            $this->read($next->check, 'look@vehicle' === $next->check ? ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'] : []);
        }

        return $this;
    }

    public function handOver(): self
    {
        return $this->lower()->write(Kind::Handover, [], 5);
    }

    /** Level, wet, lamps and pedal: what opens the road. */
    public function ground(): self
    {
        return $this->read('look@vehicle', ['level' => 'good', 'wet' => 'good', 'lamp' => 'good'])->read('pedal@vehicle');
    }

    public function lowered(): self
    {
        return $this->lower();
    }

    private function lower(): self
    {
        return \in_array('on-ground', $this->loaded()->state->road()->unmet, true) ? $this->write(Kind::Lift, ['to' => 'ground', 'stands' => false], 5) : $this;
    }

    /** @param array<string, mixed> $payload */
    public function write(Kind $kind, array $payload, int $minutes): self
    {
        $this->at = $this->at->modify('+'.$minutes.' minutes');
        ($this->append)($this->job, $this->author, Uuid::v7(), $kind, $payload, $this->at);

        return $this;
    }

    public function loaded(): LoadedJob
    {
        return ($this->readJob)($this->job);
    }
}
