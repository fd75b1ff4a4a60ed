<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * Moves one circuit through time: an implicit two-step method (BDF2, variable step; backward Euler after every
 * event) over the tree, eliminated from the wheels inward, with a damped Newton iteration on V(p). Everything that
 * is integrated goes through the same formula, so the volume ledger holds to the last step. The piston's states (held
 * by the rod, bottomed, going home, waiting, at
 * rest with its port open) are the cases of one complementarity problem solved at the end of each step, so
 * volume is kept at every event; a step in which the state changes is repeated at 0.2 ms.
 */
final readonly class CircuitSolver
{
    private const EVENT_STEP_S = 2e-4;
    /** The first step after a corner of the source, where it may have jumped: nothing tells its error. */
    private const AFTER_CORNER_S = 1e-4;
    private const SMALLEST_STEP_S = 1e-6;
    /** Two-step formulas stay stable up to a growth of 2.4 from step to step. */
    private const GROWTH = 2.0;
    /** Error of one step at a wheel: kPa, and share of its pressure (chosen for the halving law). */
    private const BOUND_KPA = 0.4;
    private const BOUND_SHARE = 0.0004;
    /** How far contact reaches, in times of how softly the lining comes on. */
    private const CONTACT = 6.0;
    private const CONTACT_SHARE = 0.15;
    private const AS_GOOD_AS_HOME_ML = 1e-6;
    /** The last step home ends this share of it short, so that the state changes in the next. */
    private const SHY_OF_HOME = 1e-7;
    /** Error of one step at the piston of a chamber that leaks past its cup, mL. */
    private const BOUND_ML = 0.012;

    private TreeSolver $tree;
    /** A step in which the piston's state changes is this long, s. */
    private float $eventS;

    /** @param float $tolerance 1 is the working accuracy; 0.5 halves every error bound */
    public function __construct(private float $tolerance = 1.0)
    {
        $this->tree = new TreeSolver();
        $this->eventS = self::EVENT_STEP_S * sqrt($tolerance);
    }

    /**
     * @param list<float> $sampleAt seconds, rising, each at most `$until`
     * @param list<int> $opened nodes that stand open to the air
     *
     * @return list<CircuitState> the state at each sample; `$state` itself ends at `$until`
     *
     * @throws SolverFailed when no step, however small, converges
     */
    public function run(
        Circuit $circuit,
        CircuitState $state,
        Source $source,
        float $until,
        array $sampleAt = [],
        array $opened = [],
    ): array {
        $samples = [];
        $h = self::EVENT_STEP_S;
        $course = new Course();
        $stops = [...$sampleAt, $until];
        $next = 0;
        $corner = -\INF;
        while ($next < \count($stops)) {
            if ($state->t >= $stops[$next] - 1e-9) {
                if ($next < \count($sampleAt)) {
                    $samples[] = clone $state;
                }
                ++$next;
                continue;
            }
            if ($state->t >= $corner - 1e-9) {
                $corner = $source->nextCorner($state->t);
            }
            $step = min($h, $stops[$next] - $state->t, $corner - $state->t, self::wayHomeS($circuit, $state));
            [$taken, $h] = $this->advance($circuit, $state, $source, $step, $opened, $course, $h);
            if ($state->t >= $corner - 1e-9 && $taken > 0.0) {
                $h = min($h, self::AFTER_CORNER_S);
                $course->forget();
            }
        }

        return $samples;
    }

    /** Seconds until a piston on its way home is there, so that a step ends then; INF for any other. */
    private static function wayHomeS(Circuit $circuit, CircuitState $state): float
    {
        $left = $state->pistonMl - $circuit->piston->restMl;

        return 'home' === $state->mode && $left > self::AS_GOOD_AS_HOME_ML
            ? (1.0 - self::SHY_OF_HOME) * $left / $circuit->piston->returnMlPerS
            : \INF;
    }

    /**
     * Tries one step.
     *
     * @param list<int> $opened
     *
     * @return array{float, float} seconds taken (0: refused), next step
     *
     * @throws SolverFailed
     */
    private function advance(
        Circuit $circuit,
        CircuitState $state,
        Source $source,
        float $step,
        array $opened,
        Course $course,
        float $wanted,
    ): array {
        $rule = StepRule::of($circuit, $state, $course->past, $step);
        $guess = $course->guess($state->kpa, $step);
        $target = $source->kpa($state->t + $step, $state->pistonMl);
        $solved = $this->solveStep($circuit, $state, $guess, $target, $rule, $opened);
        if (null === $solved) {
            if ($step < self::SMALLEST_STEP_S) {
                throw SolverFailed::noConvergence($circuit->piston->chamber, $state->t);
            }
            $course->forget();

            return [0.0, $step / 4.0];
        }
        [$kpa, $piston, $mode, $drawn] = $solved;
        if ($mode !== $state->mode && $step > 1.01 * $this->eventS) {
            return [0.0, max($this->eventS, $step / 6.0)];
        }
        $moved = $piston - $state->pistonMl;
        $error = $course->knowsSlopes() ? $this->error($circuit, $course, $guess, $kpa, $moved, $step) : 0.0;
        $power = $course->power();
        if ($error > 2.0 && $step > 0.2 * self::EVENT_STEP_S) {
            return [0.0, $step * max(0.2, 0.8 / $error ** (1.0 / $power))];
        }
        $from = $state->kpa;
        $smooth = $mode === $state->mode;
        $this->accept($circuit, $state, $kpa, $piston, $mode, $drawn, $rule, $opened);
        // the two-step formula swings a little past its end; what is trapped there would stay
        $smooth = $smooth && !($circuit->trap && $this->isEmptying($circuit, $from, $kpa));
        $course->took($step, $from, $kpa, $moved, $smooth ? $rule->past() : null);
        $grown = $step * ($error > 0.0 ? min(self::GROWTH, 0.9 / $error ** (1.0 / $power)) : self::GROWTH);

        return [$step, $step < $wanted ? max($wanted, $grown) : $grown];
    }

    /**
     * What a step is wrong by, over what it may be.
     *
     * @param array<int, float> $guess
     * @param array<int, float> $kpa
     */
    private function error(
        Circuit $circuit,
        Course $course,
        array $guess,
        array $kpa,
        float $moved,
        float $step,
    ): float {
        $share = $course->share($step);
        $error = 0.0;
        foreach ($circuit->soft as $node) {
            $bound = $circuit->slow
                ? $this->boundKpa($circuit, $node, $kpa[$node])
                : $this->tolerance * (self::BOUND_KPA + self::BOUND_SHARE * abs($kpa[$node]));
            $off = ($share * abs($kpa[$node] - $guess[$node])) / $bound;
            if ($off > $error) {
                $error = $off;
            }
        }
        if ($circuit->bypassHard + $circuit->bypassLight > 0.0) {
            $error = max($error, 0.5 * $course->pistonOff($moved, $step) / ($this->tolerance * self::BOUND_ML));
        }

        return $error;
    }

    /**
     * What a step may be wrong by, kPa: less where a lining comes on or goes slowly, for there time is much pressure.
     */
    private function boundKpa(Circuit $circuit, int $node, float $kpa): float
    {
        $near = abs($kpa - $circuit->springKpa[$node]) < self::CONTACT * $circuit->touchKpa[$node];

        return $this->tolerance
            * ($near ? self::CONTACT_SHARE : 1.0)
            * (self::BOUND_KPA + self::BOUND_SHARE * abs($kpa));
    }

    /**
     * @param array<int, float> $before
     * @param array<int, float> $kpa
     */
    private function isEmptying(Circuit $circuit, array $before, array $kpa): bool
    {
        foreach ($circuit->wheelNode as $node) {
            if ($kpa[$node] < $circuit->touchKpa[$node] && $kpa[$node] < $before[$node]) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<int, float> $kpa
     * @param list<int> $opened
     */
    private function accept(
        Circuit $circuit,
        CircuitState $state,
        array $kpa,
        float $piston,
        string $mode,
        float $drawnPerS,
        StepRule $rule,
        array $opened,
    ): void {
        $leaked = $caught = 0.0;
        foreach ($circuit->leaky as $node => $leak) {
            $leaked += $leak * $kpa[$node];
        }
        foreach ($opened as $node) {
            $caught += Circuit::G_OPENED * $kpa[$node];
        }
        $state->leakedMl = $rule->next($rule->base->leakedMl, $leaked);
        $state->caughtMl = $rule->next($rule->base->caughtMl, $caught);
        $state->drawnMl = $rule->next($rule->base->drawnMl, $drawnPerS);
        if (null !== $state->trace) {
            $state->trace[] = array_map(static fn (int $node): float => $kpa[$node], $circuit->wheelNode);
        }
        foreach ($circuit->wheelNode as $corner => $node) {
            $inner = $circuit->friction[$corner]->inner($state->inner[$corner], $kpa[$node]);
            $state->inner[$corner] = $inner;
            $state->outer[$corner] = $circuit->friction[$corner]->outer($state->outer[$corner], $inner);
        }
        $state->kpa = $kpa;
        $state->pistonMl = $piston;
        $state->farthestMl = max($state->farthestMl, $piston);
        $state->mode = $mode;
        $state->t += $rule->h;
    }

    /**
     * The state of the piston at the end of a step; see the class comment.
     *
     * @param array<int, float> $guess
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null pressures, piston mL, mode, mL/s drawn from the
     *     reservoir
     */
    private function solveStep(
        Circuit $c,
        CircuitState $s,
        array $guess,
        float $target,
        StepRule $rule,
        array $opened,
    ): ?array {
        $before = $s->pistonMl;
        $home = min($before, max($c->piston->restMl, $before - $c->piston->returnMlPerS * $rule->h));
        $same = $this->solveAsBefore($c, $s, $guess, $target, $rule, $opened, $home);
        if (null !== $same) {
            return $same;
        }
        // who is home before the step ends is not pushed all through it
        if ($target > 0.0 || $home > $c->piston->restMl) {
            $held = $this->solveHeld($c, $guess, $target, $rule, $opened);
            if (null === $held) {
                return null;
            }
            [$kpa, $after] = $held;
            if ($target > 0.0) {
                if ($after > $c->piston->strokeMl) {
                    return $this->solveFixed($c, $guess, $c->piston->strokeMl, $rule, $opened, 'bottomed');
                }
                if ($after >= $c->piston->restMl || $after >= $before) {
                    return [$kpa, $after, 'held', -$c->bypass($kpa[0])];
                }
            } elseif ($before - $after >= $c->piston->returnMlPerS * $rule->h && $after >= $c->piston->restMl) {
                return [$kpa, $after, 'pushed', -$c->bypass($kpa[0])];
            }
        }
        if ($target > 0.0) {
            return $this->solveFixed($c, $guess, $c->piston->restMl, $rule, $opened, 'rest');
        }
        $fixed = $this->solveFixed($c, $guess, $home, $rule, $opened, $home <= $c->piston->restMl ? 'rest' : 'home');
        if (null !== $fixed && $fixed[0][0] < Circuit::CUP_LIMIT_KPA) {
            return $this->solveWaiting($c, $guess, $rule, $opened);
        }

        return $fixed;
    }

    /**
     * The case that held in the step before mostly holds again, and no other is solved then: since every flow rises
     * with its pressure, only one of them is consistent.
     *
     * @param array<int, float> $guess
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null null where another case has to be looked for
     */
    private function solveAsBefore(
        Circuit $c,
        CircuitState $s,
        array $guess,
        float $target,
        StepRule $rule,
        array $opened,
        float $home,
    ): ?array {
        if ('bottomed' === $s->mode && $target > 0.0) {
            $fixed = $this->solveFixed($c, $guess, $c->piston->strokeMl, $rule, $opened, 'bottomed');

            return null !== $fixed && $fixed[0][0] < $target ? $fixed : null;
        }
        if ($target > 0.0 || $s->pistonMl <= $c->piston->restMl) {
            return null;
        }
        if ('home' === $s->mode && $home > $c->piston->restMl) {
            $fixed = $this->solveFixed($c, $guess, $home, $rule, $opened, 'home');
            $p = $fixed[0][0] ?? 0.0;
            if ($p < Circuit::CUP_LIMIT_KPA) {
                return $this->solveWaiting($c, $guess, $rule, $opened);
            }

            return $p < $target ? $fixed : null;
        }
        $waiting = 'waiting' === $s->mode ? $this->solveWaiting($c, $guess, $rule, $opened) : null;

        return null !== $waiting && $waiting[1] > $home ? $waiting : null;
    }

    /**
     * The cup holds the chamber at its limit, and the piston goes home as fast as that lets it.
     *
     * @param array<int, float> $guess
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null
     */
    private function solveWaiting(Circuit $c, array $guess, StepRule $rule, array $opened): ?array
    {
        $supply = -Circuit::G_CUP * Circuit::CUP_LIMIT_KPA;
        $held = $this->solveHeld($c, $guess, Circuit::CUP_LIMIT_KPA, $rule, $opened, $supply);

        return null === $held
            ? null
            : [$held[0], $held[1], 'waiting', $supply - $c->bypass(Circuit::CUP_LIMIT_KPA)];
    }

    /**
     * @param array<int, float> $guess
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float}|null pressures and the piston that they ask for
     */
    private function solveHeld(
        Circuit $c,
        array $guess,
        float $chamberKpa,
        StepRule $rule,
        array $opened,
        float $supply = 0.0,
    ): ?array {
        $kpa = $this->tree->solve($c, $guess, $rule, $opened, $chamberKpa, 0.0, false);
        if (null === $kpa) {
            return null;
        }
        [$kpa, $outflow] = $kpa;

        return [$kpa, $rule->next($rule->base->pistonMl, $outflow + $c->bypass($kpa[0]) - $supply)];
    }

    /**
     * @param array<int, float> $guess
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null
     */
    private function solveFixed(
        Circuit $c,
        array $guess,
        float $piston,
        StepRule $rule,
        array $opened,
        string $mode,
    ): ?array {
        $port = $piston <= 0.0;
        $supply = $rule->rate($rule->base->pistonMl, $piston);
        $solved = $this->tree->solve($c, $guess, $rule, $opened, null, $supply, $port);
        if (null === $solved) {
            return null;
        }
        $p = $solved[0][0];
        $drawn = ($p < 0.0 ? -Circuit::G_CUP * $p : ($port ? -$c->piston->portMlPerSKpa * $p : 0.0)) - $c->bypass($p);

        return [$solved[0], $piston, $mode, $drawn];
    }
}
