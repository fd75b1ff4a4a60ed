<?php

declare(strict_types=1);

namespace Rodrel\Core\Road;

/** Four wheel speeds in km/h at walking pace, or each wheel turned by hand: whose signal is weak, gapped or crossed. */
final readonly class WheelSpeeds
{
    /** Below this a sensor need not tell anything (km/h; handbook of the trade; 1 to 2.75). */
    private const SEEN_KMH = 1.0;
    /** So much of the time a turned wheel must tell its speed (share; estimate). */
    private const TELLS = 0.5;
    /** A tooth that is missing drops the speed to less than this share of the middle one (estimate; 0.6 to 0.85). */
    private const DROP = 0.75;
    /** So many of the turns must have the drop before it is the ring (share; estimate). */
    private const EACH_TURN = 0.6;

    private function __construct(private Recording $recording, private float $radiusM)
    {
    }

    public static function of(Recording $recording, float $radiusM): self
    {
        return new self($recording, $recording->note('radius_m', $radiusM));
    }

    /** @return array<string, string> word of the check by corner: even, gap-each-turn or weak-or-none */
    public function words(): array
    {
        $words = [];
        foreach (array_keys($this->recording->values) as $corner) {
            $words[$corner] = $this->word($corner);
        }

        return $words;
    }

    /** Whole turns of a wheel, from its speed over time. */
    public function turns(string $corner): float
    {
        $way = 0.0;
        $times = $this->recording->times;
        foreach ($this->recording->values[$corner] as $n => $kmh) {
            $way += 0 === $n ? 0.0 : $kmh / 3.6 * ($times[$n] - $times[$n - 1]);
        }

        return $way / (2.0 * \M_PI * $this->radiusM);
    }

    /**
     * Wheels that answered in each other's turn, where the note `turned` says in which order they were turned by hand.
     *
     * @return array<string, string> the wheel that answered by the wheel that was turned
     */
    public function crossed(): array
    {
        $turned = array_map(trim(...), explode(',', $this->recording->notes['turned'] ?? ''));
        $when = [];
        foreach ($this->recording->values as $corner => $speeds) {
            $sum = array_sum($speeds);
            if ($sum > 0.0) {
                $times = $this->recording->times;
                $when[$corner] = array_sum(array_map(
                    static fn (float $kmh, float $at): float => $kmh * $at,
                    $speeds,
                    $times,
                )) / $sum;
            }
        }
        asort($when);
        $answered = array_keys($when);
        if (\count($turned) !== \count($answered)) {
            return [];
        }
        $crossed = [];
        foreach ($turned as $n => $corner) {
            $crossed += $answered[$n] === $corner ? [] : [$corner => $answered[$n]];
        }

        return $crossed;
    }

    private function word(string $corner): string
    {
        $speeds = $this->recording->values[$corner];
        $others = array_diff_key($this->recording->values, [$corner => 0]);
        $told = array_filter($speeds, static fn (float $kmh): bool => $kmh >= self::SEEN_KMH);
        $alone = [] === $others || isset($this->recording->notes['turned']);
        $moving = $alone ? \count($told) : max(array_map(self::telling(...), $others));
        if ([] === $told || \count($told) < self::TELLS * $moving) {
            return 'weak-or-none';
        }
        sort($told);
        $middle = $told[intdiv(\count($told), 2)];
        $drops = 0;
        $in = true; // a start from nothing is no drop
        foreach ($speeds as $kmh) {
            $low = $kmh < self::DROP * $middle;
            $drops += $low && !$in ? 1 : 0;
            $in = $low;
        }
        $drops -= $in && $drops > 0 ? 1 : 0; // nor is its end
        $turns = floor($this->turns($corner));

        return $turns >= 1.0 && $drops >= self::EACH_TURN * $turns && $drops >= 2 ? 'gap-each-turn' : 'even';
    }

    /** @param list<float> $speeds of one wheel */
    private static function telling(array $speeds): int
    {
        return \count(array_filter($speeds, static fn (float $kmh): bool => $kmh >= self::SEEN_KMH));
    }
}
