<?php

declare(strict_types=1);

namespace Rodrel\Core\Model;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/**
 * Runs the fixed programs that the checks ask for, circuit by circuit, and shares what is equal: a fault in
 * one circuit leaves the other one as it was, and the press before a branch is simulated once. Keeps results
 * for the life of the object; make one per layout.
 */
final class VehicleSimulator
{
    private readonly CircuitBuilder $builder;
    private readonly CircuitSolver $solver;
    /** @var array<int|string, CircuitSolver> by tolerance */
    private array $coarser = [];
    /** @var array<string, list<CircuitState>> */
    private array $runs = [];
    /** @var array<string, list<CircuitState>> runs whose pressures can be replayed with other friction */
    private array $traced = [];
    /** @var array<string, string> hydraulic print of each sound circuit */
    private array $soundPrint = [];
    private int $simulations = 0;

    public function __construct(private readonly Layout $layout, private readonly float $tolerance = 1.0)
    {
        $this->builder = new CircuitBuilder($layout);
        $this->solver = new CircuitSolver($tolerance);
    }

    /** How many circuits were really simulated so far; what was shared does not count. */
    public function simulations(): int
    {
        return $this->simulations;
    }

    /**
     * @param VehicleRun|null $after an earlier run of the same vehicle: what its last press left stuck is stuck still
     */
    public function run(Program $program, Effects $effects, ?VehicleRun $after = null): VehicleRun
    {
        $circuits = $states = $keys = [];
        $stuck = $effects->value('booster', 'stuck', 0.0);
        $until = $this->stuckUntil($program, $effects);
        $vacuum = $program->vacuumKpa ?? $effects->value('booster', 'vacuum_kpa', $this->layout->vacuumKpa);
        foreach ($this->layout->chambers as $chamber) {
            $circuit = $this->builder->build($chamber, $effects);
            $key = $program->id.'|'.$stuck.'/'.$until.'/'.$vacuum.'|'.$circuit->fingerprint().(null === $after ? '' : '|after '.$after->keys[$chamber->id]);
            if (!isset($this->runs[$key])) {
                $booster = new Booster($this->layout, $vacuum, $stuck, $until);
                $this->runs[$key] = $this->simulate($program, $circuit, $chamber, $booster, $stuck.'/'.$until.'/'.$vacuum, $after);
            }
            $circuits[$chamber->id] = $circuit;
            $states[$chamber->id] = $this->runs[$key];
            $keys[$chamber->id] = $key;
        }

        return new VehicleRun($this->layout, $program, $circuits, $states, $keys, $effects);
    }

    /**
     * From a sample of a run: opens a joint at a wheel, or eases the master off its booster, for some seconds.
     *
     * @param string $joint a node kind (`wheel`, `hose-top`, `modulator-outlet`, `master-outlet`) or `eased`
     *
     * @return array{Circuit, CircuitState} the wheel's circuit and where it ends
     */
    public function open(VehicleRun $run, int $sample, Corner $corner, string $joint, float $seconds): array
    {
        $chamber = $this->layout->chamberOf($corner);
        $circuit = $run->circuits[$chamber->id];
        $key = $run->keys[$chamber->id].'|'.$sample.'|'.$joint.'|'.('eased' === $joint || 'master-outlet' === $joint ? '' : $corner->value).'|'.$seconds;
        $from = $run->states[$chamber->id][$sample];
        if (!isset($this->runs[$key])) {
            $state = clone $from;
            $booster = new Booster($this->layout, 0.0);
            $opened = [];
            if ('eased' === $joint) {
                $circuit = $this->withoutRest($chamber->id, $run->effects);
            } else {
                $booster = new Booster($this->layout, $run->program->vacuumKpa ?? $run->effects->value('booster', 'vacuum_kpa', $this->layout->vacuumKpa), $run->effects->value('booster', 'stuck', 0.0), $this->stuckUntil($run->program, $run->effects));
                $opened = [$this->jointNode($circuit, $corner, $joint)];
            }
            $this->solver->run($circuit, $state, Foot::off(), $booster, $state->t + $seconds, [], $opened);
            $this->runs[$key] = [$state];
            ++$this->simulations;
        }

        return [$circuit, $this->runs[$key][0]];
    }

    /** A booster that loses its vacuum lets go so many seconds after the foot. */
    private function stuckUntil(Program $program, Effects $effects): float
    {
        return $program->steady ? \INF : $program->foot->end() + $effects->value('booster', 'hold_s', \INF);
    }

    /**
     * Pressures do not depend on what rubs at the wheels: where the hydraulics are sound they are simulated once
     * and replayed with the friction of each fault.
     *
     * @return list<CircuitState>
     */
    private function simulate(Program $program, Circuit $circuit, Chamber $chamber, Booster $booster, string $rod, ?VehicleRun $after): array
    {
        $this->soundPrint[$chamber->id] ??= $this->builder->build($chamber, Effects::none())->hydraulicPrint();
        $print = $circuit->hydraulicPrint();
        $key = $program->id.'|'.$rod.'|'.$chamber->id;
        if ($print !== $this->soundPrint[$chamber->id]) {
            ++$this->simulations;

            return $this->solverFor($program)->run($circuit, $this->start($circuit, $after), $program->foot, $booster, $program->end(), $program->sampleAt);
        }
        if (!isset($this->traced[$key])) {
            $start = CircuitState::atRest($circuit);
            $start->trace = [];
            $this->traced[$key] = $this->solverFor($program)->run($circuit, $start, $program->foot, $booster, $program->end(), $program->sampleAt);
            ++$this->simulations;
        }

        return $this->replay($circuit, $this->traced[$key], $this->start($circuit, $after));
    }

    private function solverFor(Program $program): CircuitSolver
    {
        return 1.0 === $program->coarse ? $this->solver : $this->coarser[(string) $program->coarse] ??= new CircuitSolver($this->tolerance * $program->coarse);
    }

    /**
     * @param list<CircuitState> $traced
     *
     * @return list<CircuitState>
     */
    private function replay(Circuit $circuit, array $traced, CircuitState $state): array
    {
        $samples = [];
        $done = 0;
        foreach ($traced as $sample) {
            $trace = $sample->trace ?? [];
            for ($end = \count($trace); $done < $end; ++$done) {
                foreach ($trace[$done] as $corner => $kpa) {
                    $state->inner[$corner] = $circuit->friction[$corner]->inner($state->inner[$corner], $kpa);
                    $state->outer[$corner] = $circuit->friction[$corner]->outer($state->outer[$corner], $state->inner[$corner]);
                }
            }
            $seen = clone $sample;
            $seen->trace = null;
            $seen->inner = $state->inner;
            $seen->outer = $state->outer;
            $samples[] = $seen;
        }

        return $samples;
    }

    private function start(Circuit $circuit, ?VehicleRun $after): CircuitState
    {
        $state = CircuitState::atRest($circuit);
        $left = null === $after ? null : $after->states[$circuit->chamber][Program::AFTER_17_S];
        if (null !== $left) {
            $state->inner = $left->inner;
            $state->outer = $left->outer;
        }

        return $state;
    }

    /** The master eased forward frees a piston that a push-rod or pedal keeps off its stop. */
    private function withoutRest(string $chamberId, Effects $effects): Circuit
    {
        foreach ($this->layout->chambers as $chamber) {
            if ($chamber->id === $chamberId) {
                return $this->builder->build($chamber, $effects->with(new Effects(['chamber@'.$chamberId => ['rest' => 0.0]])));
            }
        }
        throw new \LogicException('The chamber comes from the same layout.');
    }

    private function jointNode(Circuit $circuit, Corner $corner, string $joint): int
    {
        return $circuit->node(match ($joint) {
            'wheel' => 'wheel@'.$corner->value,
            'master-outlet' => 'master-outlet@'.$circuit->chamber,
            default => $joint.'@'.$this->layout->hoseOf($corner),
        });
    }
}
