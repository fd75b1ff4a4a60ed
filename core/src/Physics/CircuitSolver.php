<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * Moves one circuit through time: an implicit two-step method (BDF2, variable step; backward Euler after every
 * event) over the tree, eliminated from the wheels inward, with a damped Newton iteration on V(p). Everything that
 * is integrated goes through the same formula, so the volume ledger holds to the last step. The piston's states (held
 * by the rod, bottomed, going home, waiting, at
 * rest with its port open) are the cases of one complementarity problem solved at the end of each step, so
 * volume is kept at every event; a step in which the state changes is repeated at 1 ms.
 */
final readonly class CircuitSolver
{
    private const EVENT_STEP_S = 1e-3;
    private const SMALLEST_STEP_S = 1e-6;
    private const ITERATIONS = 30;
    /** Two-step formulas stay stable up to a growth of 2.4 from step to step. */
    private const GROWTH = 2.0;
    /** Error of one step at a wheel: kPa, and share of its pressure (chosen for the halving law). */
    private const BOUND_KPA = 1.5;
    private const BOUND_SHARE = 0.0015;
    /** How far contact reaches, in times of how softly the lining comes on. */
    private const CONTACT = 6.0;
    private const CONTACT_SHARE = 0.2;
    /** Key of the piston beside the wheels' nodes. */
    private const PISTON = -1;

    /** @param float $tolerance 1 is the working accuracy; 0.5 halves every error bound */
    public function __construct(private float $tolerance = 1.0)
    {
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
        $slopes = $past = null;
        $stops = [...$sampleAt, $until];
        $next = 0;
        while ($next < \count($stops)) {
            if ($state->t >= $stops[$next] - 1e-9) {
                if ($next < \count($sampleAt)) {
                    $samples[] = clone $state;
                }
                ++$next;
                continue;
            }
            $corner = $source->nextCorner($state->t);
            $limit = min($stops[$next], $corner) - $state->t;
            $step = min($h, $limit);
            [$taken, $h, $slopes, $past] = $this->advance(
                $circuit,
                $state,
                $source,
                $step,
                $opened,
                $slopes,
                $h,
                $past,
            );
            if ($state->t >= $corner - 1e-9 && $taken > 0.0) {
                $h = min($h, 2.0 * self::EVENT_STEP_S);
                $slopes = $past = null;
            }
        }

        return $samples;
    }

    /**
     * Tries one step.
     *
     * @param list<int> $opened
     * @param array<int, float>|null $slopes kPa/s at the wheels over the step before
     *
     * @return array{float, float, array<int, float>|null, StepPast|null} seconds taken (0: refused), next step, new
     *     slopes, the step just taken
     */
    private function advance(
        Circuit $circuit,
        CircuitState $state,
        Source $source,
        float $step,
        array $opened,
        ?array $slopes,
        float $wanted,
        ?StepPast $past,
    ): array {
        $rule = StepRule::of($circuit, $state, $past, $step);
        $solved = $this->solveStep($circuit, $state, $source->kpa($state->t + $step, $state->pistonMl), $rule, $opened);
        if (null === $solved) {
            if ($step < self::SMALLEST_STEP_S) {
                throw SolverFailed::noConvergence($circuit->piston->chamber, $state->t);
            }

            return [0.0, $step / 4.0, null, null];
        }
        [$kpa, $piston, $mode, $drawn] = $solved;
        if ($mode !== $state->mode && $step > 1.01 * self::EVENT_STEP_S) {
            return [0.0, max(self::EVENT_STEP_S, $step / 6.0), $slopes, $past];
        }
        $new = [];
        $error = 0.0;
        foreach ($circuit->wheelNode as $node) {
            $slope = ($kpa[$node] - $state->kpa[$node]) / $step;
            $new[$node] = $slope;
            if (null !== $slopes) {
                $bound = $this->boundKpa($circuit, $node, $kpa[$node]);
                $error = max($error, (0.5 * $step * abs($slope - $slopes[$node])) / $bound);
            }
        }
        if ($circuit->bypassHard + $circuit->bypassLight > 0.0) {
            $new[self::PISTON] = ($piston - $state->pistonMl) / $step;
            if (null !== $slopes) {
                $error = max(
                    $error,
                    (0.5 * $step * abs($new[self::PISTON] - $slopes[self::PISTON])) / ($this->tolerance * 0.012),
                );
            }
        }
        if ($error > 2.0 && $step > 0.2 * self::EVENT_STEP_S) {
            return [0.0, $step * max(0.2, 0.8 / sqrt($error)), $slopes, $past];
        }
        $sameMode = $mode === $state->mode;
        $this->accept($circuit, $state, $kpa, $piston, $mode, $drawn, $rule, $opened);
        $grown = $step * ($error > 0.0 ? min(self::GROWTH, 0.9 / sqrt($error)) : self::GROWTH);

        return [
            $step,
            $step < $wanted ? max($wanted, $grown) : $grown,
            $new,
            // the two-step formula swings a little past its end; what is trapped there would stay
            $sameMode && !($circuit->trap && $this->isEmptying($circuit, $kpa, $new)) ? $rule->past() : null,
        ];
    }

    /**
     * What a step may be wrong by, kPa: less where a lining comes on or goes slowly, for there time is much pressure.
     */
    private function boundKpa(Circuit $circuit, int $node, float $kpa): float
    {
        $near = $circuit->slow && abs($kpa - $circuit->springKpa[$node]) < self::CONTACT * $circuit->touchKpa[$node];

        return $this->tolerance
            * ($near ? self::CONTACT_SHARE : 1.0)
            * (self::BOUND_KPA + self::BOUND_SHARE * abs($kpa));
    }

    /**
     * @param array<int, float> $kpa
     * @param array<int, float> $slopes kPa/s
     */
    private function isEmptying(Circuit $circuit, array $kpa, array $slopes): bool
    {
        foreach ($circuit->wheelNode as $node) {
            if ($kpa[$node] < $circuit->touchKpa[$node] && $slopes[$node] < 0.0) {
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
        foreach ($circuit->leak as $node => $leak) {
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
        $state->mode = $mode;
        $state->t += $rule->h;
    }

    /**
     * The state of the piston at the end of a step; see the class comment.
     *
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null pressures, piston mL, mode, mL/s drawn from the
     *     reservoir
     */
    private function solveStep(Circuit $c, CircuitState $s, float $target, StepRule $rule, array $opened): ?array
    {
        $before = $s->pistonMl;
        $h = $rule->h;
        if ($target > 0.0 || $before > $c->piston->restMl) {
            $held = $this->solveHeld($c, $s, $target, $rule, $opened);
            if (null === $held) {
                return null;
            }
            [$kpa, $after] = $held;
            if ($target > 0.0) {
                if ($after > $c->piston->strokeMl) {
                    return $this->solveFixed($c, $s, $c->piston->strokeMl, $rule, $opened, 'bottomed');
                }
                if ($after >= $c->piston->restMl || $after >= $before) {
                    return [$kpa, $after, 'held', -$c->bypass($kpa[0])];
                }
            } elseif ($before - $after >= $c->piston->returnMlPerS * $h && $after >= $c->piston->restMl) {
                return [$kpa, $after, 'pushed', -$c->bypass($kpa[0])];
            }
        }
        if ($target > 0.0) {
            return $this->solveFixed($c, $s, $c->piston->restMl, $rule, $opened, 'rest');
        }
        $home = max($c->piston->restMl, $before - $c->piston->returnMlPerS * $h);
        if ($before < $c->piston->restMl) {
            $home = $before;
        }
        $fixed = $this->solveFixed($c, $s, $home, $rule, $opened, $home <= $c->piston->restMl ? 'rest' : 'home');
        if (null !== $fixed && $fixed[0][0] < Circuit::CUP_LIMIT_KPA) {
            $supply = -Circuit::G_CUP * Circuit::CUP_LIMIT_KPA;
            $held = $this->solveHeld($c, $s, Circuit::CUP_LIMIT_KPA, $rule, $opened, $supply);

            return null === $held
                ? null
                : [$held[0], $held[1], 'waiting', $supply - $c->bypass(Circuit::CUP_LIMIT_KPA)];
        }

        return $fixed;
    }

    /**
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float}|null pressures and the piston that they ask for
     */
    private function solveHeld(
        Circuit $c,
        CircuitState $s,
        float $chamberKpa,
        StepRule $rule,
        array $opened,
        float $supply = 0.0,
    ): ?array {
        $kpa = $this->newton($c, $s->kpa, $rule, $opened, $chamberKpa, 0.0, false);
        if (null === $kpa) {
            return null;
        }
        [$kpa, $outflow] = $kpa;

        return [$kpa, $rule->next($rule->base->pistonMl, $outflow + $c->bypass($kpa[0]) - $supply)];
    }

    /**
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null
     */
    private function solveFixed(
        Circuit $c,
        CircuitState $s,
        float $piston,
        StepRule $rule,
        array $opened,
        string $mode,
    ): ?array {
        $port = $piston <= 0.0;
        $solved = $this->newton($c, $s->kpa, $rule, $opened, null, $rule->rate($rule->base->pistonMl, $piston), $port);
        if (null === $solved) {
            return null;
        }
        $p = $solved[0][0];
        $drawn = ($p < 0.0 ? -Circuit::G_CUP * $p : ($port ? -$c->piston->portMlPerSKpa * $p : 0.0)) - $c->bypass($p);

        return [$solved[0], $piston, $mode, $drawn];
    }

    /**
     * The hot loop: one method on local arrays, since calls and objects cost several times the arithmetic.
     *
     * @param array<int, float> $from pressures at the start of the step
     * @param list<int> $opened
     * @param float|null $held chamber pressure when the rod holds it, else the chamber floats
     * @param float $supply mL/s that a moving piston gives to a floating chamber
     *
     * @return array{array<int, float>, float}|null pressures and mL/s from the chamber into the line
     */
    private function newton(
        Circuit $circuit,
        array $from,
        StepRule $rule,
        array $opened,
        ?float $held,
        float $supply,
        bool $port,
    ): ?array {
        $n = \count($from);
        $parent = $circuit->parent;
        $gf = $circuit->forward;
        $gr = $circuit->return;
        $hold = $circuit->hold;
        $knee = $circuit->knee;
        $slope = $circuit->slope;
        $stiff = $circuit->stiffness;
        $clear = $circuit->clearance;
        $spring = $circuit->springKpa;
        $touch = $circuit->touchKpa;
        $air = $circuit->air;
        $leak = $circuit->leak;
        foreach ($opened as $node) {
            $leak[$node] += Circuit::G_OPENED;
        }
        $h = $rule->h / $rule->a;
        $start = $rule->volumes;
        $p = $from;
        if (null !== $held) {
            $p[0] = $held;
        }
        $a = $b = $up = [];
        for ($iteration = 0; $iteration < self::ITERATIONS; ++$iteration) {
            for ($i = 0; $i < $n; ++$i) {
                $x = $p[$i];
                $volume = $stiff[$i] * $x;
                $grad = $stiff[$i];
                if ($clear[$i] > 0.0) {
                    $over = $x - $spring[$i];
                    if ($over > -0.5) {
                        $rise = 1.0;
                        if ($over < 0.5) {
                            $rise = $over + 0.5;
                            $over = ($rise * $rise) / 2.0;
                        }
                        $e = $clear[$i] * exp(-$over / $touch[$i]);
                        $volume += $clear[$i] - $e;
                        $grad += ($rise * $e) / $touch[$i];
                    }
                }
                if ($air[$i] > 0.0) {
                    $q = 1.0 / ($x + 101.0);
                    $volume += $air[$i] * $x * $q;
                    $grad += $air[$i] * 101.0 * $q * $q;
                }
                $b[$i] = -(($volume - $start[$i]) / $h + $leak[$i] * $x);
                $a[$i] = $grad / $h + $leak[$i];
            }
            $outflow = 0.0;
            for ($i = $n - 1; $i > 0; --$i) {
                $j = $parent[$i];
                $x = $p[$i];
                $y = $p[$j];
                $s = 1.0;
                $z = $y;
                if ($y > $knee[$i]) {
                    $s = $slope[$i];
                    $z = $knee[$i] + $s * ($y - $knee[$i]);
                }
                $d = $z - $x;
                if ($d > 0.0) {
                    $flow = $gf[$i] * $d;
                    $u = $gf[$i] * $s;
                    $v = $gf[$i];
                } else {
                    $d = $x - $y - $hold[$i];
                    if ($d > 0.0 || (0.0 === $d && 0.0 === $hold[$i])) {
                        $flow = -$gr[$i] * $d;
                        $u = $gr[$i];
                        $v = $gr[$i];
                    } else {
                        $flow = $u = $v = 0.0;
                    }
                }
                $b[$i] += $flow;
                $b[$j] -= $flow;
                $a[$i] += $v;
                $a[$j] += $u;
                $up[$i] = $u;
                if (0 === $j) {
                    $outflow += $flow;
                }
                $w = $v / $a[$i];
                $a[$j] -= $w * $u;
                $b[$j] += $w * $b[$i];
            }
            $delta = [0.0];
            if (null === $held) {
                $x = $p[0];
                $light = $circuit->bypassLight > 0.0 ? $circuit->bypassLight * exp(-max(0.0, $x) / 500.0) : 0.0;
                $g = $circuit->bypassHard + $light;
                $loss = $g * $x;
                if ($x < 0.0) {
                    $g += Circuit::G_CUP;
                    $loss += Circuit::G_CUP * $x;
                } elseif ($port) {
                    $g += $circuit->piston->portMlPerSKpa;
                    $loss += $circuit->piston->portMlPerSKpa * $x;
                }
                $delta[0] = ($b[0] + $supply - $loss) / ($a[0] + $g + 1e-12);
            }
            $worst = abs($delta[0]);
            for ($i = 1; $i < $n; ++$i) {
                $delta[$i] = ($b[$i] + $up[$i] * $delta[$parent[$i]]) / $a[$i];
            }
            for ($i = 0; $i < $n; ++$i) {
                $x = $p[$i];
                $y = $x + $delta[$i];
                if ($clear[$i] > 0.0) {
                    // V(p) is steep just above the corner and flat elsewhere: never jump across it
                    $edge = $spring[$i] + 0.5;
                    if (($x < $edge && $y > $edge) || ($x > $edge && $y < $edge)) {
                        $y = $edge;
                    }
                }
                if ($y < -100.0) {
                    $y = 0.5 * ($x - 100.0);
                }
                $worst = max($worst, abs($y - $x), abs($delta[$i]) > 1.0 ? 1.0 : 0.0);
                $p[$i] = $y;
            }
            if ($worst < 1e-6) {
                return [$p, $this->outflow($circuit, $p)];
            }
        }

        return null;
    }

    /** @param array<int, float> $p */
    private function outflow(Circuit $c, array $p): float
    {
        $sum = 0.0;
        foreach ($c->parent as $i => $j) {
            if (0 === $j && $i > 0) {
                $d = $p[0] - $p[$i];
                $sum += $d > 0.0 ? $c->forward[$i] * $d : -$c->return[$i] * max(0.0, -$d - $c->hold[$i]);
            }
        }

        return $sum;
    }
}
