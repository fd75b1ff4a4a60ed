<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\TargetAt;

/**
 * Runs the fixed programs that the checks ask for, circuit by circuit, and shares what is equal: a fault in
 * one circuit leaves the other one as it was, a fault at the right wheel is the mirror of one at the left, and the
 * press before a branch is simulated once. Keeps results for the life of the object; make one per layout.
 */
final class VehicleSimulator
{
    /** Harder than any chamber needs to stay at its stop. */
    private const PROP_N = 20000.0;
    /** So many runs are kept for replaying: those of a fault whose severities are gone through side by side. */
    private const TRACES = 96;

    private readonly CircuitBuilder $builder;
    private readonly CircuitSolver $solver;
    /** @var array<int|string, CircuitSolver> by tolerance */
    private array $coarser = [];
    /**
     * @var array<string, array{CircuitForm, list<CircuitState>, float}> told of the circuit that was
     *     simulated, with its stroke in mL
     */
    private array $runs = [];
    /** @var array<string, list<CircuitState>> runs whose pressures can be replayed with other friction */
    private array $traced = [];
    /** @var array<string, list<CircuitState>> the same where a fault changes the hydraulics too; the latest only */
    private array $rubbed = [];
    /** @var array<string, array{Circuit, CircuitForm, string}> each sound circuit, by chamber */
    private array $sound = [];
    /** @var array<string, array<string, true>> by chamber: the places of which nothing is in its circuit */
    private array $elsewhere = [];
    /** @var \WeakMap<Effects, array<string, array{Circuit, CircuitForm, string}>> by chamber */
    private \WeakMap $built;
    private int $simulations = 0;

    public function __construct(private readonly Layout $layout, private readonly float $tolerance = 1.0)
    {
        $this->built = new \WeakMap();
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
        $booster = $this->booster($program, $effects);
        foreach ($this->layout->chambers as $chamber) {
            $key = $keys[$chamber->id] = $this->simulated($program, $chamber, $booster, $effects, $after);
            [$circuits[$chamber->id], $form] = $this->built($chamber, $effects);
            $states[$chamber->id] = $this->told($key, $form);
        }

        $given = $effects->has('slack') || $effects->has('give')
            ? array_map(
                fn (float $t): float => $this->givenMm($effects, $booster->rodN($program->foot->at($t), $t)),
                $program->sampleAt,
            )
            : [];

        return new VehicleRun($this->layout, $program, $circuits, $states, $keys, $effects, $given);
    }

    /**
     * From a sample of a run: opens a joint at a wheel, or eases the master off its booster, for some seconds.
     *
     * @return array{Circuit, CircuitState} the wheel's circuit and where it ends
     */
    public function open(VehicleRun $run, int $sample, Corner $corner, Joint $joint, float $seconds): array
    {
        $chamber = $this->layout->chamberOf($corner);
        $circuit = $run->circuits[$chamber->id];
        [, $form] = $this->built($chamber, $run->effects);
        $node = $joint->opens() ? $circuit->node($this->nodeOf($circuit, $corner, $joint)) : 0;
        // equal forms may have their ports shut by the cap or by themselves
        $where = $joint->opens()
            ? $form->position($node)
            : $joint->value.$run->effects->value('reservoir', null, 'vent', Circuit::G_PORT);
        $key = implode('|', [$run->keys[$chamber->id], $sample, $where, $seconds]);
        $opened = match ($joint) {
            Joint::Eased => $this->withoutRest($chamber, $run->effects),
            Joint::Cap => $this->vented($chamber, $run->effects),
            default => $circuit,
        };
        if (!isset($this->runs[$key])) {
            $state = clone $run->states[$chamber->id][$sample];
            $booster = Joint::Eased === $joint
                ? new Booster($this->layout, 0.0)
                : $this->booster($run->program, $run->effects);
            $source = new PedalSource(Foot::off(), $booster);
            $open = $joint->opens() ? [$node] : [];
            $this->solver->run($opened, $state, $source, $state->t + $seconds, [], $open);
            $this->runs[$key] = [$form, [$state], $chamber->strokeMl];
            ++$this->simulations;
        }

        return [$opened, $this->told($key, $form)[0]];
    }

    /**
     * Pressure in kPa at a wheel so many seconds after the pedal was propped where the end of a press had it: the
     * piston
     * stays, what leaks is missing.
     */
    public function proppedKpa(VehicleRun $run, Corner $corner, float $seconds): float
    {
        $chamber = $this->layout->chamberOf($corner);
        [, $form] = $this->built($chamber, $run->effects);
        $key = $run->keys[$chamber->id].'|propped';
        $held = $run->states[$chamber->id][Program::HELD];
        if (!isset($this->runs[$key])) {
            $propped = $this->builder->build($chamber, $run->effects, $held->pistonMl);
            $state = clone $held;
            $source = new PedalSource(Foot::hold(self::PROP_N), new Booster($this->layout, 0.0));
            $this->solver->run($propped, $state, $source, $state->t + $seconds);
            $this->runs[$key] = [$form, [$state], $chamber->strokeMl];
            ++$this->simulations;
        }

        return $this->told($key, $form)[0]->wheelKpa($run->circuits[$chamber->id], $corner->value);
    }

    /** The key of a chamber's run, which is simulated unless that was done before. */
    private function simulated(
        Program $program,
        Chamber $chamber,
        Booster $booster,
        Effects $effects,
        ?VehicleRun $after,
    ): string {
        [$circuit, $form, $print] = $this->built($chamber, $effects);
        $key = $program->id
            .'|'
            .$booster->print
            .'|'
            .$form->print
            .(null === $after ? '' : '|after '.$after->keys[$chamber->id]);
        $key = $this->keyFor($key, $chamber->strokeMl);
        if (!isset($this->runs[$key])) {
            $start = $this->start($circuit, $after);
            if ($effects->touches('brake') || $this->isSound($chamber, $print)) {
                $states = $this->replay($circuit, $this->traced($program, $chamber, $booster, $effects), $start);
            } else {
                $stem = $this->stem($program, $booster, $effects);
                $begun = null === $stem ? null : $this->simulated($stem, $chamber, $booster, $effects, $after);
                $begun = null === $begun ? [] : $this->told($begun, $form);
                $states = $this->goOn($program, $circuit, $booster, $start, $begun);
            }
            $this->runs[$key] = [$form, $states, $chamber->strokeMl];
        }

        return $key;
    }

    /** The program's stem, where it holds for this vehicle: its booster does the same in both. */
    private function stem(Program $program, Booster $booster, Effects $effects): ?Program
    {
        $stem = $program->stem;

        return null !== $stem && $this->booster($stem, $effects)->print === $booster->print ? $stem : null;
    }

    /** mm at the push-rod that move no piston: slack in it, and what its mounts give under its force. */
    private function givenMm(Effects $effects, float $rodN): float
    {
        return $effects->value('pedal', null, 'slack', 0.0)
            + $effects->value('pedal', null, 'give', 0.0) * $rodN / 1000.0;
    }

    /** The key of a run that holds for this stroke: another piston's, where that came to neither of their bottoms. */
    private function keyFor(string $key, float $strokeMl): string
    {
        if (!isset($this->runs[$key])) {
            return $key;
        }
        [, $states, $other] = $this->runs[$key];
        $farthest = $states[\count($states) - 1]->farthestMl;

        return $strokeMl === $other || $farthest < min($strokeMl, $other) ? $key : $key.'|stroke '.$strokeMl;
    }

    /** @return list<CircuitState> a run, told of the circuit with this form */
    private function told(string $key, CircuitForm $form): array
    {
        [$of, $states] = $this->runs[$key];

        return $form->isOrderedLike($of)
            ? $states
            : array_map(static fn (CircuitState $state): CircuitState => $form->told($state, $of), $states);
    }

    /**
     * The circuit with its hydraulic print; every program of a vehicle runs on it, and every vehicle whose faults lie
     * in the other circuit.
     *
     * @return array{Circuit, CircuitForm, string}
     */
    private function built(Chamber $chamber, Effects $effects): array
    {
        $of = $this->built[$effects] ?? [];
        if (!isset($of[$chamber->id])) {
            $here = $effects->awayFrom($this->elsewhere[$chamber->id] ??= $this->elsewhere($chamber));
            $of[$chamber->id] = $here->isNone()
                ? $this->sound[$chamber->id] ??= $this->anew($chamber, $here)
                : $this->anew($chamber, $here);
            $this->built[$effects] = $of;
        }

        return $of[$chamber->id];
    }

    /** @return array{Circuit, CircuitForm, string} */
    private function anew(Chamber $chamber, Effects $effects): array
    {
        $circuit = $this->builder->build($chamber, $effects);

        return [$circuit, CircuitForm::of($circuit), $circuit->hydraulicPrint()];
    }

    /** @return array<string, true> the places of which nothing is in this chamber's circuit */
    private function elsewhere(Chamber $chamber): array
    {
        $here = $there = [];
        foreach ($this->layout->chambers as $other) {
            $places = [$other->id => true];
            foreach ($other->wheels as $corner) {
                $places += [$corner->value => true, $this->layout->hoseOf($corner)->id => true];
            }
            if ($other->id === $chamber->id) {
                $here = $places;
            } else {
                $there += $places;
            }
        }

        return array_diff_key($there, $here);
    }

    /** The booster of a program: its vacuum, and how long a stuck valve holds on; one that loses its vacuum lets go. */
    private function booster(Program $program, Effects $effects): Booster
    {
        $of = static fn (string $name, float $sound): float => $effects->value('booster', null, $name, $sound);

        $supply = $program->supply->kpa ?? $of('vacuum_kpa', $this->layout->assist->vacuumKpa);

        return new Booster(
            $this->layout,
            min($supply, $of('pressed_kpa', \INF)),
            new HeldRod(
                $of('stuck', 0.0),
                $program->supply->steady ? \INF : $program->foot->end() + $of('hold_s', \INF),
                $of('preload', 0.0),
            ),
            CircuitBuilder::boreShare($effects),
            $effects->value('remote', null, 'gain_share', 1.0),
            null === $program->supply->from ? null : new Start($program->supply->from, $of('fill_s', Start::FILLS_S)),
        );
    }

    private function isSound(Chamber $chamber, string $print): bool
    {
        return $print === ($this->sound[$chamber->id] ??= $this->anew($chamber, Effects::none()))[2];
    }

    /**
     * Pressures do not depend on what rubs at the wheels: where the hydraulics are sound, or a fault changes both, they
     * are simulated once and replayed with the friction of each fault.
     *
     * @return list<CircuitState>
     */
    private function traced(Program $program, Chamber $chamber, Booster $booster, Effects $effects): array
    {
        [$circuit, , $print] = $this->built($chamber, $effects);
        $key = $program->id.'|'.$booster->print.'|'.$chamber->id.'|'.$print;
        $traced = $this->traced[$key] ?? $this->rubbed[$key] ?? null;
        if (null === $traced) {
            $start = CircuitState::atRest($circuit);
            $start->trace = [];
            $stem = $this->stem($program, $booster, $effects);
            $begun = null === $stem ? [] : $this->traced($stem, $chamber, $booster, $effects);
            $traced = $this->goOn($program, $circuit, $booster, $start, $begun);
            if ($this->isSound($chamber, $print)) {
                $this->traced[$key] = $traced;
            } else {
                $this->rubbed = \array_slice($this->rubbed, -self::TRACES, null, true) + [$key => $traced];
            }
        }

        return $traced;
    }

    /**
     * @param list<CircuitState> $begun samples of the program's stem; none where it is run from its start
     *
     * @return list<CircuitState> the program's own samples
     */
    private function goOn(
        Program $program,
        Circuit $circuit,
        Booster $booster,
        CircuitState $state,
        array $begun,
    ): array {
        ++$this->simulations;
        $source = new PedalSource($program->foot, $booster);
        $solver = $this->solverFor($program);
        $samples = [];
        foreach ($begun as $n => $seen) {
            $state = $seen;
            if (\in_array($program->stem?->sampleAt[$n], $program->sampleAt, true)) {
                $samples[] = $seen;
            }
        }
        $left = \array_slice($program->sampleAt, \count($samples));
        $first = match (true) {
            [] === $begun => CircuitSolver::FIRST_STEP_S,
            $program->foot->hasCorner($state->t) => CircuitSolver::AFTER_CORNER_S,
            default => CircuitSolver::GOING_ON_S,
        };

        return [
            ...$samples,
            ...$solver->run($circuit, clone $state, $source, $program->end(), $left, [], $first),
        ];
    }

    private function solverFor(Program $program): CircuitSolver
    {
        $coarse = $program->coarse;

        return 1.0 === $coarse
            ? $this->solver
            : ($this->coarser[(string) $coarse] ??= new CircuitSolver($this->tolerance * $coarse));
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
                    $friction = $circuit->friction[$corner];
                    $state->inner[$corner] = $friction->inner($state->inner[$corner], $kpa);
                    $state->outer[$corner] = $friction->outer($state->outer[$corner], $state->inner[$corner]);
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
        $left = null === $after ? null : $after->states[$circuit->piston->chamber][Program::AFTER_17_S];
        if (null !== $left) {
            $state->inner = $left->inner;
            $state->outer = $left->outer;
        }

        return $state;
    }

    /** The master eased forward frees a piston that a push-rod or pedal keeps off its stop. */
    private function withoutRest(Chamber $chamber, Effects $effects): Circuit
    {
        $home = Effects::single(TargetAt::of('chamber', $chamber->id), 'rest', 0.0);

        return $this->builder->build($chamber, $effects->with($home));
    }

    /** The cap loosened lets out what a blocked vent kept in. */
    private function vented(Chamber $chamber, Effects $effects): Circuit
    {
        $vent = Effects::single(TargetAt::of('reservoir'), 'vent', Circuit::G_PORT);

        // what the cap kept in stood in the lines too
        $kept = $effects->touches('reservoir') ? $effects->without(['master-line']) : $effects;

        return $this->builder->build($chamber, $kept->with($vent));
    }

    private function nodeOf(Circuit $circuit, Corner $corner, Joint $joint): string
    {
        return CircuitBuilder::node(
            $joint->value,
            match ($joint) {
                Joint::Wheel => $corner,
                Joint::MasterOutlet, Joint::Eased, Joint::Cap => $circuit->piston->chamber,
                Joint::HoseTop, Joint::ModulatorOutlet => $this->layout->hoseOf($corner),
            },
        );
    }
}
