<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * How the pressures of a run have been going: the steps before the next one, what they let one expect of it, and how
 * far from that it came out. With two smooth steps behind, the guess is the parabola through them, else the last
 * slope drawn on.
 *
 * @internal
 */
final class Course
{
    /** What a backward Euler step is wrong by, over its distance from the line drawn on: 1/2 h² y'' of h² y''. */
    private const OF_A_LINE = 0.5;
    /** A two-step formula stays stable up to a growth of 2.4 from step to step; what goes farther leans on nothing. */
    private const STABLE = 2.4;

    /** The next moment at which the source changes its slope, s. */
    public float $corner = -\INF;
    /** Whether somebody looks soon at what still moves. */
    public bool $watched = false;
    /** A moment by which the piston's state has changed, where a step over it was refused, s. */
    public ?float $eventBy = null;
    /** The step that a two-step formula can lean on; none after an event. */
    private StepPast $past;
    private readonly StepPast $none;
    /** @var array<int, float>|null kPa by node before the last step; null after a corner of the source */
    private ?array $before = null;
    /** @var array<int, float>|null the same before the step before it, where no event lies between them */
    private ?array $earlier = null;
    /** @var array<int, float> kPa that each wheel's pressure went in its last step, by node */
    private array $heading = [];
    private float $h = 1.0;
    private float $earlierH = 1.0;
    private ?float $pistonSlope = null;

    /** @param float $wanted seconds of the step that is tried next */
    public function __construct(public float $wanted)
    {
        $this->past = $this->none = StepPast::none();
    }

    /** The source has a corner here: nothing before it tells what follows. */
    public function forget(): void
    {
        $this->before = $this->earlier = $this->pistonSlope = null;
        $this->past = $this->none;
    }

    public function knowsSlopes(): bool
    {
        return null !== $this->before;
    }

    /** What a step of so many seconds leans on; none where it is backward Euler. */
    public function past(float $h): StepPast
    {
        return $h <= self::STABLE * $this->h ? $this->past : $this->none;
    }

    /** Seconds of the longest step that can lean on the one before it; INF where there is none to lean on. */
    public function longestOfTwo(): float
    {
        return $this->past->h > 0.0 ? self::STABLE * $this->h : \INF;
    }

    /**
     * @param array<int, float> $kpa pressures now
     *
     * @return array<int, float> pressures to expect after `$h` seconds
     */
    public function guess(array $kpa, float $h): array
    {
        if (null === $this->before) {
            return $kpa;
        }
        $perH = 1.0 / $this->h;
        $now = 1.0 + $h * $perH;
        if (null !== $this->earlier && $this->leansOnTwo($h)) {
            $bend = $h * ($h + $this->h) / ($this->h + $this->earlierH);
            $old = $bend / $this->earlierH;
            $now += $bend * $perH;
            $last = 1.0 - $now - $old;
            foreach ($this->earlier as $node => $earlier) {
                $guess = $now * $kpa[$node] + $last * $this->before[$node] + $old * $earlier;
                $kpa[$node] = $guess < -90.0 ? -90.0 : $guess;
            }

            return $kpa;
        }
        $last = 1.0 - $now;
        foreach ($this->before as $node => $before) {
            $guess = $now * $kpa[$node] + $last * $before;
            $kpa[$node] = $guess < -90.0 ? -90.0 : $guess;
        }

        return $kpa;
    }

    /**
     * What a step is wrong by, over how far it came out from the guess. For the two-step formula the step is wrong by
     * κ of what the parabola is wrong by, κ = h (1 + ω) / ((1 + 2ω) (h + h1 + h2)), to the other side: κ / (1 + κ).
     */
    public function share(float $h): float
    {
        if (!$this->leansOnTwo($h)) {
            return self::OF_A_LINE;
        }
        $w = $h / $this->h;
        $k = ($h * (1.0 + $w)) / ((1.0 + 2.0 * $w) * ($h + $this->h + $this->earlierH));

        return $k / (1.0 + $k);
    }

    /** What is left of a step's error grows with this power of its length. */
    public function power(float $h): float
    {
        return $this->leansOnTwo($h) ? 3.0 : 2.0;
    }

    /**
     * What backward Euler would have been wrong by at a node in the step just taken, kPa: 1/2 h² y''.
     *
     * @param array<int, float> $kpa where it ended
     */
    public function bendKpa(int $node, array $kpa): float
    {
        if (null === $this->before || null === $this->earlier) {
            return 0.0;
        }
        $last = $kpa[$node] - $this->before[$node];
        $earlier = $this->before[$node] - $this->earlier[$node];

        return abs($last - $earlier * $this->h / $this->earlierH) * $this->h / ($this->h + $this->earlierH);
    }

    /**
     * Whether the pressure of some wheel turns round where a step starts.
     *
     * @param array<string, int> $wheelNode
     * @param array<int, float> $from kPa by node
     * @param array<int, float> $to
     */
    public function turns(array $wheelNode, array $from, array $to): bool
    {
        $turns = false;
        foreach ($wheelNode as $node) {
            $goes = $to[$node] - $from[$node];
            if ($goes * ($this->heading[$node] ?? 0.0) < 0.0) {
                $turns = true;
            }
            if (0.0 !== $goes) {
                $this->heading[$node] = $goes;
            }
        }

        return $turns;
    }

    /** How far from its last slope the piston has come, mL. */
    public function pistonOff(float $moved, float $h): float
    {
        return null === $this->pistonSlope ? 0.0 : abs($moved - $h * $this->pistonSlope);
    }

    /** Seconds in which the piston, as fast as in the last step, goes so many mL toward home; INF where it does not. */
    public function pistonNeedsS(float $ml): float
    {
        return null === $this->pistonSlope || $this->pistonSlope >= 0.0 ? \INF : -$ml / $this->pistonSlope;
    }

    /**
     * @param array<int, float> $before kPa by node where the step started
     * @param float $moved mL that the piston went
     * @param bool $smooth whether no event ended it
     */
    public function took(StepPast $past, array $before, float $moved, bool $smooth): void
    {
        $this->earlier = $smooth ? $this->before : null;
        $this->earlierH = $this->h;
        $this->before = $before;
        $this->h = $past->h;
        $this->pistonSlope = $moved / $past->h;
        $this->past = $smooth ? $past : $this->none;
    }

    private function leansOnTwo(float $h): bool
    {
        return null !== $this->earlier && $this->past->h > 0.0 && $h <= self::STABLE * $this->h;
    }
}
