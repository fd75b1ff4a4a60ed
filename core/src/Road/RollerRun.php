<?php

declare(strict_types=1);

namespace Rodrel\Core\Road;

/** Brake force over time on slow rollers: what each wheel makes, and whether it swings with each turn of the wheel. */
final readonly class RollerRun
{
    /** Rollers turn a wheel so fast, km/h (handbook of the trade; 2.5 to 5). */
    public const SPEED_KMH = 3.0;
    /** From the first that reaches this share of the most to the last: before it comes on, after it is let go. */
    private const PRESSED = 0.8;
    /** So much of the swing goes with the wheel before the wheel is named (share of the variance; estimate). */
    private const WITH_WHEEL = 0.5;
    /** Rollers may be so much off what they say, looked through in steps (share; estimate). */
    private const OFF = 0.1;
    private const STEP = 0.01;
    /** A swing that is felt at the pedal (share of the mean; estimate; plausible 0.15 to 0.3). */
    public const FELT = 0.2;

    private function __construct(private Recording $recording, public float $turnS)
    {
    }

    /** @param float $radiusM rolling radius; the recording's own notes speed_kmh and radius_m go first */
    public static function of(Recording $recording, float $radiusM): self
    {
        $speed = $recording->note('speed_kmh', self::SPEED_KMH) / 3.6;

        return new self($recording, 2.0 * \M_PI * $recording->note('radius_m', $radiusM) / $speed);
    }

    /** Mean force while it is pressed, N. */
    public function meanN(string $corner): float
    {
        [, $values] = $this->pressed($corner);

        return [] === $values ? 0.0 : array_sum($values) / \count($values);
    }

    /** Highest less lowest of a turn, over the mean; of all whole turns the middle one; null where none is whole. */
    public function swing(string $corner): ?float
    {
        [$times, $values] = $this->pressed($corner);
        $mean = $this->meanN($corner);
        $turns = [] === $times || $mean <= 0.0
            ? 0
            : (int) floor(($times[\count($times) - 1] - $times[0]) / $this->turnS + 1e-9);
        $swings = [];
        for ($turn = 0; $turn < $turns; ++$turn) {
            $from = $times[0] + $turn * $this->turnS;
            $own = [];
            foreach ($times as $n => $time) {
                if ($time >= $from && $time <= $from + $this->turnS) {
                    $own[] = $values[$n];
                }
            }
            $swings[] = [] === $own ? 0.0 : (max($own) - min($own)) / $mean;
        }

        sort($swings);

        return $swings[intdiv(\count($swings), 2)] ?? null;
    }

    /**
     * Whether the swing has the period of the wheel: by the share of its variance at one and two swings a turn, since
     * an oval drum swings twice; rollers turn a little faster or slower than they say.
     */
    public function goesWithTheWheel(string $corner): bool
    {
        $most = 0.0;
        for ($off = -self::OFF; $off <= self::OFF + 1e-9; $off += self::STEP) {
            $turn = $this->turnS * (1.0 + $off);
            $most = max($most, $this->share($corner, $turn) + $this->share($corner, 0.5 * $turn));
        }

        return $most >= self::WITH_WHEEL;
    }

    /** Of the variance that a swing of one period makes. */
    private function share(string $corner, float $period): float
    {
        [$times, $values] = $this->pressed($corner);
        $mean = $this->meanN($corner);
        $cos = $sin = $square = 0.0;
        foreach ($times as $n => $time) {
            $off = $values[$n] - $mean;
            $cos += $off * cos(2.0 * \M_PI * $time / $period);
            $sin += $off * sin(2.0 * \M_PI * $time / $period);
            $square += $off ** 2;
        }

        return $square > 0.0 ? 2.0 * ($cos ** 2 + $sin ** 2) / \count($times) / $square : 0.0;
    }

    /** @return array{list<float>, list<float>} times and forces while it is pressed */
    private function pressed(string $corner): array
    {
        $all = $this->recording->values[$corner] ?? [];
        $least = [] === $all ? 0.0 : self::PRESSED * max($all);
        $reached = $least > 0.0 ? array_keys(array_filter($all, static fn (float $one): bool => $one >= $least)) : [];
        $times = $values = [];
        for ($n = $reached[0] ?? 0; [] !== $reached && $n <= $reached[\count($reached) - 1]; ++$n) {
            $times[] = $this->recording->times[$n];
            $values[] = $all[$n];
        }

        return [$times, $values];
    }
}
