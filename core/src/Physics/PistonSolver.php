<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * Where the piston is at the end of one step: held by the rod, bottomed, pushed or going home, waiting for the cup, at
 * rest. These are the cases of one complementarity problem over the tree of pipes; see `docs/hydraulics.md`, "The
 * piston".
 *
 * @internal
 */
final readonly class PistonSolver
{
    private TreeSolver $tree;

    public function __construct()
    {
        $this->tree = new TreeSolver();
    }

    /**
     * Pressures and piston at the end of a step.
     *
     * @param array<int, float> $guess
     * @param list<int> $opened
     *
     * @return array{array<int, float>, float, string, float}|null pressures, piston mL, mode, mL/s drawn from the
     *     reservoir
     */
    public function solve(
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

        return [$kpa, $rule->next($rule->pistonMl, $outflow + $c->bypass($kpa[0]) - $supply)];
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
        $supply = $rule->rate($rule->pistonMl, $piston);
        $solved = $this->tree->solve($c, $guess, $rule, $opened, null, $supply, $port);
        if (null === $solved) {
            return null;
        }
        $p = $solved[0][0];
        $drawn = ($p < 0.0 ? -Circuit::G_CUP * $p : ($port ? -$c->piston->portMlPerSKpa * $p : 0.0)) - $c->bypass($p);

        return [$solved[0], $piston, $mode, $drawn];
    }
}
