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
    /** The first step of a run, s: something may change at once. */
    public const FIRST_STEP_S = 2e-4;
    /** That of a run that goes on from another one where the foot has been still for seconds and stays so. */
    public const GOING_ON_S = 1e-2;
    private const EVENT_STEP_S = 2e-4;
    /** The first step after a corner of the source, where it may have jumped: nothing tells its error. */
    public const AFTER_CORNER_S = 1e-4;
    /** What a source pushes with so shortly before its corner it pushes with up to there. */
    private const JUST_BEFORE_S = 1e-9;
    private const SMALLEST_STEP_S = 1e-6;
    /** Of the time in which an event is known to lie one part of so many is tried next. */
    private const BEFORE_EVENT = 3.0;
    /** A source that pushes less than this at its corner comes to nothing just there, or starts from nothing, kPa. */
    private const NOTHING_KPA = 1e-6;
    private const AS_GOOD_AS_HOME_ML = 1e-6;
    /** The last step home ends this share of it short, so that the state changes in the next. */
    private const SHY_OF_HOME = 1e-7;
    /** Where the cup lets it home a step goes so much of the way, as fast as before: it slows down a little. */
    private const OF_WAY_HOME = 0.98;

    /** What moved so shortly before somebody looks, s and kPa, is followed closely from so long before it. */
    private const MOVED_S = 0.3;
    private const MOVED_KPA = 1.0;
    private const WATCHED_S = 0.5;

    private PistonSolver $piston;
    private StepError $error;
    /** A step in which the piston's state changes is this long, s. */
    private float $eventS;
    /** The first one after a corner of the source, s. */
    private float $cornerS;

    /** @param float $tolerance 1 is the working accuracy; 0.5 halves every error bound */
    public function __construct(float $tolerance = 1.0)
    {
        $this->piston = new PistonSolver();
        $this->error = new StepError($tolerance);
        $this->eventS = self::EVENT_STEP_S * sqrt($tolerance);
        $this->cornerS = self::AFTER_CORNER_S * sqrt($tolerance);
    }

    /**
     * @param list<float> $sampleAt seconds, rising, each at most `$until`
     * @param list<int> $opened nodes that stand open to the air
     * @param float $firstS seconds of the first step that is tried
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
        float $firstS = self::FIRST_STEP_S,
    ): array {
        $samples = [];
        $course = new Course($firstS);
        $stops = [...$sampleAt, $until];
        $next = 0;
        // what is lost is added up over all steps, and backward Euler does that worse than it does pressures
        $adds = $circuit->leaks() || [] !== $opened;
        $watchedFrom = $this->watchedFrom($source, $stops[0], $state);
        $this->rub($circuit, $state);
        while ($next < \count($stops)) {
            if ($state->t >= $stops[$next] - 1e-9) {
                $this->rub($circuit, $state);
                if ($next < \count($sampleAt)) {
                    $samples[] = clone $state;
                }
                if (++$next < \count($stops)) {
                    $watchedFrom = $this->watchedFrom($source, $stops[$next], $state);
                }
                continue;
            }
            if ($state->t >= $course->corner - 1e-9) {
                $course->corner = $source->nextCorner($state->t);
            }
            $course->watched = $state->t >= $watchedFrom - 1e-9;
            $step = min(
                $course->wanted,
                ($course->watched ? $stops[$next] : min($watchedFrom, $stops[$next])) - $state->t,
                $course->corner - $state->t,
                $this->wayHomeS($circuit, $state, $course),
                $adds ? $course->longestOfTwo() : \INF,
            );
            $taken = $this->advance($circuit, $state, $source, $step, $opened, $course);
            if ($taken && $state->t >= $course->corner - 1e-9) {
                $course->wanted = min($course->wanted, $this->cornerS);
                $course->forget();
            }
        }

        return $samples;
    }

    /** The moment from which what is read at `$at` is followed closely; INF where it has come to rest by then. */
    private function watchedFrom(Source $source, float $at, CircuitState $state): float
    {
        $moved = $source->kpa($at, $state->pistonMl) - $source->kpa($at - self::MOVED_S, $state->pistonMl);

        return abs($moved) > self::MOVED_KPA ? $at - self::WATCHED_S : \INF;
    }

    /**
     * Seconds until a piston on its way home is there, so that a step ends then: as fast as its spring drives it, or as
     * the cup has let it in the step before. INF for any other.
     */
    private function wayHomeS(Circuit $circuit, CircuitState $state, Course $course): float
    {
        $waits = 'waiting' === $state->mode;
        if (!$waits && 'home' !== $state->mode) {
            return \INF;
        }
        $left = $state->pistonMl - $circuit->piston->restMl;

        return match (true) {
            $left <= self::AS_GOOD_AS_HOME_ML => $this->eventS,
            $waits => max(self::SMALLEST_STEP_S, self::OF_WAY_HOME * $course->pistonNeedsS($left)),
            default => (1.0 - self::SHY_OF_HOME) * $left / $circuit->piston->returnMlPerS,
        };
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
        // a source that jumps at its corner has not yet done so there
        $target = $source->kpa(min($end, $course->corner - self::JUST_BEFORE_S), $state->pistonMl);
        $solved = $this->piston->solve($circuit, $state, $guess, $target, $rule, $opened);
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
        $error = $known ? $this->error->of($circuit, $course, $guess, $kpa, $moved, $step) : 0.0;
        $power = $course->power($step);
        if ($error > StepError::refused($circuit) && $step > 0.2 * self::EVENT_STEP_S) {
            $course->wanted = $step * max(0.2, 0.8 / $error ** (1.0 / $power));

            return false;
        }
        $from = $state->kpa;
        if ($course->turns($circuit->wheelNode, $from, $kpa)) {
            $this->rub($circuit, $state);
        }
        $this->accept($circuit, $state, $kpa, $piston, $mode, $drawn, $rule, $opened);
        // the two-step formula swings a little past its end; what is trapped there would stay
        $smooth = $same && !($circuit->trap && $this->isEmptying($circuit, $from, $kpa));
        $course->took($rule->now, $from, $moved, $smooth);
        $closed = !$circuit->slow
            && !$circuit->leaks()
            && (\in_array($mode, ['held', 'bottomed'], true) || ('rest' === $mode && $circuit->piston->portOpens()));
        $growth = $known
            ? $this->error->growth($circuit, $course, $kpa, $closed, $error, $power)
            : StepError::GROWTH;
        $grown = $step * $growth;
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
        $state->kpa = $kpa;
        $state->pistonMl = $piston;
        $state->farthestMl = max($state->farthestMl, $piston);
        $state->mode = $mode;
        $state->t += $rule->h;
    }

    /**
     * The linings come to where the pressures have got to. While these only rise or only fall it is the same whether
     * that is done at every step or at the last one: it is done where they turn, and where somebody looks.
     */
    private function rub(Circuit $circuit, CircuitState $state): void
    {
        $wheels = [];
        foreach ($circuit->wheelNode as $corner => $node) {
            $wheels[$corner] = $state->kpa[$node];
            $friction = $circuit->friction[$corner];
            $state->inner[$corner] = $friction->inner($state->inner[$corner], $state->kpa[$node]);
            $state->outer[$corner] = $friction->outer($state->outer[$corner], $state->inner[$corner]);
        }
        if (null !== $state->trace) {
            $state->trace[] = $wheels;
        }
    }
}
