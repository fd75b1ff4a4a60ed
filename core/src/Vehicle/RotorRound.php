<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

/**
 * A rotor measured at equal places round the clock: how its thickness varies, how far its face runs out, and whether
 * the high spot goes with the rotor or stays with the hub when it is turned one bolt hole.
 */
final readonly class RotorRound
{
    public const PLACES = 8;
    /** Thickness that varies by more is felt (mm; handbook). */
    public const SWING_MM = 0.02;
    /** A face that runs out by more wears its rotor uneven within months (mm; estimate; plausible 0.03 to 0.1). */
    public const RUN_OUT_MM = 0.05;

    private function __construct(
        public float $variesMm,
        public ?float $runsOutMm,
        public ?string $turned,
        public int $thinnest,
        public float $leastMm,
    ) {
    }

    /**
     * @param non-empty-list<float> $thickness mm, place by place as numbered on the rotor
     * @param list<float> $face dial at the same places, mm; empty where it was not measured
     * @param list<float> $again the same, numbered on the rotor, after it was turned one bolt hole on its hub
     * @param int $bolts holes of the hub
     */
    public static function of(array $thickness, array $face = [], array $again = [], int $bolts = 5): self
    {
        $out = [] === $face ? null : max($face) - min($face);

        return new self(
            max($thickness) - min($thickness),
            $out,
            null === $out || [] === $again ? null : self::follows($face, $again, $bolts),
            (int) array_search(min($thickness), $thickness, true) + 1,
            min($thickness),
        );
    }

    /** @return array<string, string> word by row of the check */
    public function words(): array
    {
        return array_filter(
            [
                'thickness' => $this->variesMm > self::SWING_MM ? 'swings' : 'even',
                'run-out' => null === $this->runsOutMm
                    ? null
                    : ($this->runsOutMm > self::RUN_OUT_MM ? 'runs-out' : 'true'),
                'turned' => $this->turned,
            ],
            static fn (?string $word): bool => null !== $word,
        );
    }

    /**
     * Share of the brake's torque that swings with each turn: the clamping force rises by the caliper's stiffness times
     * what the rotor is thicker (handbook, ΔT/T = ΔTV·k/N).
     *
     * @param float $stiffness of caliper and pads, N/mm
     * @param float $clampN at the stop that is meant
     */
    public function swing(float $stiffness, float $clampN): float
    {
        return $this->variesMm * $stiffness / max(1.0, $clampN);
    }

    /** How often a wheel turns in a second: what shakes at this rate is a wheel, not the engine. */
    public static function turnsPerSecond(float $kmh, float $tyreRadiusM): float
    {
        return $kmh / 3.6 / (2.0 * \M_PI * $tyreRadiusM);
    }

    /**
     * The high spot is where the first wave round the clock has its crest. Numbered on the rotor it stays where it is
     * if the rotor is bent, and goes back by one hole if it is the hub.
     *
     * @param non-empty-list<float> $face
     * @param non-empty-list<float> $again
     */
    private static function follows(array $face, array $again, int $bolts): string
    {
        $hole = 2.0 * \M_PI / $bolts;
        $moved = self::crest($again) - self::crest($face);
        $moved -= 2.0 * \M_PI * round($moved / (2.0 * \M_PI));

        return abs($moved) < $hole / 2.0 ? 'with-rotor' : 'with-hub';
    }

    /** @param non-empty-list<float> $values */
    private static function crest(array $values): float
    {
        $sin = $cos = 0.0;
        foreach ($values as $i => $value) {
            $at = 2.0 * \M_PI * $i / \count($values);
            $sin += $value * sin($at);
            $cos += $value * cos($at);
        }

        return atan2($sin, $cos);
    }
}
