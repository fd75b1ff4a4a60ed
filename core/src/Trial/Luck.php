<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** Seeded draws: the same seed draws the same vehicle, driver and slips again. */
final class Luck
{
    /** Draws have so many steps: 48 bits. */
    private const STEPS = 2 ** 48;

    private int $drawn = 0;

    public function __construct(private readonly string $seed)
    {
    }

    /** For one thing only, whatever else is drawn before it. */
    public static function about(int $seed, string $what): self
    {
        return new self($seed.' '.$what);
    }

    /** From 0 up to 1. */
    public function share(): float
    {
        return hexdec(substr(hash('xxh128', $this->seed.' '.$this->drawn++), 0, 12)) / self::STEPS;
    }

    public function happens(float $chance): bool
    {
        return $this->share() < $chance;
    }

    /** About standard normal: twelve uniform draws less six. */
    public function deviation(): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; ++$i) {
            $sum += $this->share();
        }

        return $sum;
    }

    /** Log-normal around 1. */
    public function around(float $sigma): float
    {
        return exp($sigma * $this->deviation());
    }

    /** @param non-empty-list<float> $weights */
    public function pick(array $weights): int
    {
        $left = $this->share() * array_sum($weights);
        foreach ($weights as $i => $weight) {
            $left -= $weight;
            if ($left < 0.0) {
                return $i;
            }
        }

        return \count($weights) - 1;
    }
}
