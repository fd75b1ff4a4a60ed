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

    /** The step that a two-step formula can lean on; null after an event. */
    public ?StepPast $past = null;
    /** @var array<int, float>|null kPa/s by node over the last step; null after a corner of the source */
    private ?array $slopes = null;
    /** @var array<int, float>|null the same over the step before it, where no event lies between them */
    private ?array $earlier = null;
    private float $h = 1.0;
    private float $earlierH = 1.0;
    private ?float $pistonSlope = null;

    /** The source has a corner here: nothing before it tells what follows. */
    public function forget(): void
    {
        $this->past = $this->slopes = $this->earlier = $this->pistonSlope = null;
    }

    public function knowsSlopes(): bool
    {
        return null !== $this->slopes;
    }

    /**
     * @param array<int, float> $kpa pressures now
     *
     * @return array<int, float> pressures to expect after `$h` seconds
     */
    public function guess(array $kpa, float $h): array
    {
        if (null === $this->slopes) {
            return $kpa;
        }
        $bend = $h * ($h + $this->h) / ($this->h + $this->earlierH);
        foreach ($this->slopes as $node => $slope) {
            $guess = $kpa[$node] + $h * $slope;
            if (null !== $this->earlier) {
                $guess += $bend * ($slope - $this->earlier[$node]);
            }
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
        if (null === $this->earlier || null === $this->past) {
            return self::OF_A_LINE;
        }
        $w = $h / $this->h;
        $k = ($h * (1.0 + $w)) / ((1.0 + 2.0 * $w) * ($h + $this->h + $this->earlierH));

        return $k / (1.0 + $k);
    }

    /** What is left of a step's error grows with this power of its length. */
    public function power(): float
    {
        return null === $this->earlier || null === $this->past ? 2.0 : 3.0;
    }

    /** How far from its last slope the piston has come, mL. */
    public function pistonOff(float $moved, float $h): float
    {
        return null === $this->pistonSlope ? 0.0 : abs($moved - $h * $this->pistonSlope);
    }

    /**
     * @param array<int, float> $before
     * @param array<int, float> $after pressures
     * @param float $moved mL that the piston went
     * @param StepPast|null $past null where an event ends the step
     *
     * @return array<int, float> kPa/s
     */
    public function took(float $h, array $before, array $after, float $moved, ?StepPast $past): array
    {
        $slopes = [];
        foreach ($after as $node => $kpa) {
            $slopes[$node] = ($kpa - $before[$node]) / $h;
        }
        $this->earlier = null === $past ? null : $this->slopes;
        $this->earlierH = $this->h;
        $this->slopes = $slopes;
        $this->h = $h;
        $this->pistonSlope = $moved / $h;
        $this->past = $past;

        return $slopes;
    }
}
