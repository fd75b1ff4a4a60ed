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
    /** The next step is at most so many times as long, with the two-step formula and with backward Euler. */
    private const GROWTH = 2.0;
    private const LEAP = 8.0;
    /** Of the time in which an event is known to lie one part of so many is tried next. */
    private const BEFORE_EVENT = 3.0;
    /** A source that pushes less than this at its corner comes to nothing just there, or starts from nothing, kPa. */
    private const NOTHING_KPA = 1e-6;
    /** Error of one step at a wheel: kPa, and share of its pressure (chosen for the halving law). */
    private const BOUND_KPA = 0.4;
    private const BOUND_SHARE = 0.0004;
    /** How far contact reaches, in times of how softly the lining comes on. */
    private const CONTACT = 6.0;
    /** There the bound is this share of the usual one; a run that is read to millimetres or words wants less of it. */
    private const CONTACT_SHARE = 0.05;
    private const COARSE_CONTACT_SHARE = 0.15;
    private const AS_GOOD_AS_HOME_ML = 1e-6;
    /** The last step home ends this share of it short, so that the state changes in the next. */
    private const SHY_OF_HOME = 1e-7;
    /** Error of one step at the piston of a chamber that leaks past its cup, mL. */
    private const BOUND_ML = 0.012;

    private TreeSolver $tree;
    /** A step in which the piston's state changes is this long, s. */
    private float $eventS;
    private float $contactShare;

    /** @param float $tolerance 1 is the working accuracy; 0.5 halves every error bound */
    public function __construct(private float $tolerance = 1.0)
    {
        $this->tree = new TreeSolver();
        $this->eventS = self::EVENT_STEP_S * sqrt($tolerance);
        $this->contactShare = $tolerance > 1.0 ? self::COARSE_CONTACT_SHARE : self::CONTACT_SHARE;
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
        $course = new Course(self::EVENT_STEP_S);
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
            if ($state->t >= $course->corner - 1e-9) {
                $course->corner = $source->nextCorner($state->t);
            }
            $step = min(
                $course->wanted,
                $stops[$next] - $state->t,
                $course->corner - $state->t,
                self::wayHomeS($circuit, $state),
            );
            $taken = $this->advance($circuit, $state, $source, $step, $opened, $course);
            if ($taken && $state->t >= $course->corner - 1e-9) {
                $course->wanted = min($course->wanted, self::AFTER_CORNER_S);
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
     * Tries one step, and says what is to be tried next.
     *
     * @param list<int> $opened
     *
     * @return bool whether it was taken
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
    ): bool {
        $end = $state->t + $step;
        $rule = StepRule::of($circuit, $state, $course->past($step), $step);
        $guess = $course->guess($state->kpa, $step);
        $target = $source->kpa($end, $state->pistonMl);
        $solved = $this->solveStep($circuit, $state, $guess, $target, $rule, $opened);
        if (null === $solved) {
            if ($step < self::SMALLEST_STEP_S) {
                throw SolverFailed::noConvergence($circuit->piston->chamber, $state->t);
            }
            $course->forget();
            $course->wanted = $step / 4.0;

            return false;
        }
        [$kpa, $piston, $mode, $drawn] = $solved;
        $same = $mode === $state->mode;
        if (!$same && $step > 1.01 * $this->eventS && !self::isJustThen($course, $end, $target, $mode)) {
            $course->eventBy = $end;
            $course->wanted = max($this->eventS, $step / self::BEFORE_EVENT);

            return false;
        }
        $moved = $piston - $state->pistonMl;
        $known = $course->knowsSlopes();
        $error = $known ? $this->error($circuit, $course, $guess, $kpa, $moved, $step) : 0.0;
        $power = $course->power($step);
        if ($error > 2.0 && $step > 0.2 * self::EVENT_STEP_S) {
            $course->wanted = $step * max(0.2, 0.8 / $error ** (1.0 / $power));

            return false;
        }
        $from = $state->kpa;
        $this->accept($circuit, $state, $kpa, $piston, $mode, $drawn, $rule, $opened);
        // the two-step formula swings a little past its end; what is trapped there would stay
        $smooth = $same && !($circuit->trap && $this->isEmptying($circuit, $from, $kpa));
        $course->took($rule->now, $from, $moved, $smooth);
        $closed = !$circuit->slow
            && !$circuit->leaks()
            && (\in_array($mode, ['held', 'bottomed'], true) || ('rest' === $mode && $circuit->piston->portOpens()));
        $grown = $step * ($known ? $this->growth($circuit, $course, $kpa, $closed, $error, $power) : self::GROWTH);
        $grown = $step < $course->wanted ? max($course->wanted, $grown) : $grown;
        $course->wanted = $this->shortOfEvent($course, $same ? $end : \INF, $grown);

        return true;
    }

    /**
     * Whether a step ends where the source comes to nothing or starts from it, and the rod lets go of the piston or
     * takes it just there, not on the way.
     */
    private static function isJustThen(Course $course, float $end, float $targetKpa, string $mode): bool
    {
        return $end >= $course->corner - 1e-9
            && abs($targetKpa) < self::NOTHING_KPA
            && \in_array($mode, ['pushed', 'held'], true);
    }

    /**
     * How many times as long the next step may be. Where the two-step formula may not grow as far as its error would
     * let it, backward Euler goes on from there if it gets farther: so it is after each corner of the source, from
     * where steps grow a thousandfold. Not where fluid is lost or drawn in on the way: that is added up over all
     * steps, and backward Euler does it a power worse than it does pressures.
     *
     * @param array<int, float> $kpa
     * @param bool $closed whether no fluid comes or goes
     */
    private function growth(
        Circuit $circuit,
        Course $course,
        array $kpa,
        bool $closed,
        float $error,
        float $power,
    ): float {
        $growth = $error > 0.0 ? 0.9 / $error ** (1.0 / $power) : self::LEAP;
        if ($growth < self::GROWTH || !$closed) {
            return min(self::GROWTH, $growth);
        }
        if ($power < 3.0) {
            return min(self::LEAP, $growth);
        }
        $bend = 0.0;
        foreach ($circuit->soft as $node) {
            $x = $kpa[$node];
            if (self::isTouching($circuit, $node, $x)) {
                return self::GROWTH;
            }
            $bend = max($bend, $course->bendKpa($node, $kpa) / ($this->tolerance * (self::BOUND_KPA + self::BOUND_SHARE * abs($x))));
        }

        return max(self::GROWTH, min(self::LEAP, $bend > 0.0 ? 0.9 / sqrt($bend) : self::LEAP));
    }

    /** The next step, part of the way to an event that is known to lie ahead. */
    private function shortOfEvent(Course $course, float $now, float $wanted): float
    {
        $left = null === $course->eventBy ? \INF : $course->eventBy - $now;
        if ($left < 1e-9) {
            $course->eventBy = null;

            return $wanted;
        }

        return min($wanted, max($this->eventS, $left / self::BEFORE_EVENT));
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
        if ($circuit->hasBypass()) {
            $error = max($error, 0.5 * $course->pistonOff($moved, $step) / ($this->tolerance * self::BOUND_ML));
        }

        return $error;
    }

    /**
     * What a step may be wrong by, kPa: less where a lining comes on or goes slowly, for there time is much pressure.
     */
    private function boundKpa(Circuit $circuit, int $node, float $kpa): float
    {
        return $this->tolerance
            * (self::isTouching($circuit, $node, $kpa) ? $this->contactShare : 1.0)
            * (self::BOUND_KPA + self::BOUND_SHARE * abs($kpa));
    }

    /** Whether a lining is coming on or going: there a little pressure is much volume. */
    private static function isTouching(Circuit $circuit, int $node, float $kpa): bool
    {
        return abs($kpa - $circuit->springKpa[$node]) < self::CONTACT * $circuit->touchKpa[$node];
    }

    /**
     * @param array<int, float> $before
     * @param array<int, float> $kpa
     */
    private function isEmptying(Circuit $circuit, array $before, array $kpa): bool
    {
        foreach ($circuit->wheelNode as $node) {
            $left = $kpa[$node] - $circuit->kept[$node];
            if ($left < $circuit->touchKpa[$node] && $kpa[$node] < $before[$node]) {
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
        $state->leakedMl = $rule->next($rule->leakedMl, $leaked);
        $state->caughtMl = $rule->next($rule->caughtMl, $caught);
        $state->drawnMl = $rule->next($rule->drawnMl, $drawnPerS);
        if (null !== $state->trace) {
            $wheels = $state->inner;
            foreach ($circuit->wheelNode as $corner => $node) {
                $wheels[$corner] = $kpa[$node];
            }
            $state->trace[] = $wheels;
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
